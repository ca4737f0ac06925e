import { t } from "../../catalogue";
import { Check, CircleDashed, Lock, Play } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/client";

type Step = Schemas["SequenceStep"];

const LOOK = {
  done: { icon: Check, look: "border-success text-success font-semibold" },
  tried: { icon: Play, look: "border-primary font-semibold" },
  ready: { icon: CircleDashed, look: "border-base-content/60" },
  locked: { icon: Lock, look: "border-base-300 quiet" },
} as const;

/** The coupons of the course from the first step on, and where this student stands at each; those far off on asking. */
export function Sequence({ steps }: { steps: Step[] }) {
  const [all, setAll] = useState(false);
  const near = steps.filter((step) => step.state !== "locked");
  const far = steps.length - near.length;
  if (steps.length === 0) return null;
  return (
    <ol
      aria-label={t("common-coupon-sequence")}
      tabIndex={0}
      className="flex items-center gap-1.5 max-sm:overflow-x-auto max-sm:whitespace-nowrap sm:flex-wrap"
    >
      {(all ? steps : near).map((step) => {
        const { icon: Icon, look } = LOOK[step.state];
        return (
          <li
            key={step.title}
            className={`flex items-center gap-1.5 rounded-md border-2 bg-base-100 px-2 py-0.5 text-sm ${look}`}
          >
            <Icon size={14} aria-hidden />
            {step.title} <span className="text-xs">· {step.words}</span>
          </li>
        );
      })}
      {far > 0 && (
        <li>
          <button className="btn btn-ghost btn-xs" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? t("time-hide-later-steps") : t("time-later-steps", { far })}
          </button>
        </li>
      )}
    </ol>
  );
}
