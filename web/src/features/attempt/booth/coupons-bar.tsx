import { t } from "../../../catalogue";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { usePaths } from "../../../domain/course";
import { goesOn } from "../../../domain/use-attempt";
import { useMine } from "../queries";
import { minutes } from "./go-step";

const SECOND_MS = 1000;
/** s. Whoever waits longer has gone home. */
const MAX_COOLING_S = 3600;
const place = (attempt: number) => `judicum-cooling-${String(attempt)}`;

/** Keeps since when a coupon cools, so that another can be welded meanwhile. */
export const coolsSince = (attempt: number, since: number) =>
  localStorage.setItem(place(attempt), String(since));

/** The coupons at this booth side by side: one is welded while the other cools, each with its clock. */
export function CouponsBar({ attempt }: { attempt: number }) {
  const paths = usePaths();
  const mine = useMine();
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), SECOND_MS);
    return () => clearInterval(timer);
  }, []);
  const open = (mine.data ?? []).filter((a) => a.id === attempt || goesOn(a));
  if (open.length < 2) return null;
  return (
    <nav aria-label={t("booth-coupons")} className="flex gap-2 overflow-x-auto pb-1">
      {open.map((a) => {
        const since = Number(localStorage.getItem(place(a.id)) ?? NaN);
        const passed = (now - since) / SECOND_MS;
        return (
          <Link
            key={a.id}
            to={`${paths.attempt(a.id)}/booth`}
            aria-current={a.id === attempt ? "page" : undefined}
            className={[
              "flex min-h-14 min-w-36 grow flex-col justify-center rounded-box border-2 px-3 text-base leading-tight",
              a.id === attempt ? "border-primary font-bold" : "border-base-300 bg-base-100",
            ].join(" ")}
          >
            <span className="line-clamp-1">
              {t("common-attempt", { title: a.assignment.design.title, number: a.number })}
            </span>
            {passed >= 0 && passed < MAX_COOLING_S && (
              <span>{t("booth-cools", { time: minutes(passed) })}</span>
            )}
          </Link>
        );
      })}
    </nav>
  );
}
