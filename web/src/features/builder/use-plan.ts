import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Schemas } from "../../api/client";
import { useSettled } from "../../ui/use-settled";
import type { Coupon } from "./coupon-shape";

/** The card of a coupon while it is typed, and the card that stood there before. */
export function usePlan(courseId: number, coupon: Coupon) {
  const rested = useSettled(JSON.stringify(coupon), 200);
  const plan = useQuery({
    queryKey: ["plan", courseId, rested],
    queryFn: () =>
      unwrap(
        api.POST("/api/courses/{course_id}/plan", {
          params: { path: { course_id: courseId } },
          body: { coupon: JSON.parse(rested) as Coupon },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const [pair, setPair] = useState<{ now: Schemas["Card"] | null; before: Schemas["Card"] | null }>({
    now: null,
    before: null,
  });
  if (plan.data && plan.data !== pair.now) setPair({ now: plan.data, before: pair.now });
  return { card: plan.data, before: pair.before, error: plan.error };
}
