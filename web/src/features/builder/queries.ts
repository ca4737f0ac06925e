import { t } from "../../catalogue";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse, usePaths } from "../../domain/course";
import { useSettled } from "../../ui/use-settled";
import type { Coupon } from "./coupon-shape";
import { couponKeys } from "../../domain/keys";

const FINGERS_REST_MS = 150;

/** The setup card of a coupon while it is typed, and the card before it, so that what moved can be told. */
export function usePlan(coupon: Coupon) {
  const { id } = useCourse();
  const rested = useSettled(JSON.stringify(coupon), FINGERS_REST_MS);
  const plan = useQuery({
    queryKey: couponKeys.plan(id, rested),
    queryFn: () =>
      unwrap(
        api.POST("/api/courses/{course_id}/plan", {
          params: { path: { course_id: id } },
          body: { coupon: JSON.parse(rested) as Record<string, unknown> },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
    staleTime: Infinity,
  });
  const [shown, setShown] = useState<{ card?: Schemas["Card"]; before: Schemas["Card"] | null }>({
    before: null,
  });
  if (plan.data && !plan.isPlaceholderData && plan.data !== shown.card)
    setShown({ card: plan.data, before: shown.card ?? null });
  return { ...shown, error: plan.error };
}

export function useKeepDesign() {
  const { id } = useCourse();
  const paths = usePaths();
  const navigate = useNavigate();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["SaveDesignRequest"]) =>
      unwrap(api.POST("/api/courses/{course_id}/designs", { params: { path: { course_id: id } }, body })),
    onSuccess: async (design) => {
      await queries.invalidateQueries({ queryKey: couponKeys.allDesigns });
      await navigate(paths.to(t("builder-assign-give", { id: design.id })));
    },
  });
}
