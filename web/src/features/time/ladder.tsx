import { Check, CircleDashed, Lock, Play } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/client";

type Rung = Schemas["SequenceStep"];

const LOOK = {
  done: { icon: Check, look: "border-success text-success font-semibold" },
  tried: { icon: Play, look: "border-primary font-semibold" },
  ready: { icon: CircleDashed, look: "border-base-content/60" },
  locked: { icon: Lock, look: "border-base-300 quiet" },
} as const;

/** The coupons of the course from the first rung on, and where this student stands at each; those far off on asking. */
export function Ladder({ rungs }: { rungs: Rung[] }) {
  const [all, setAll] = useState(false);
  const near = rungs.filter((rung) => rung.state !== "locked");
  const far = rungs.length - near.length;
  if (rungs.length === 0) return null;
  return (
    <ol aria-label="Ladder" className="flex flex-wrap items-center gap-1.5">
      {(all ? rungs : near).map((rung) => {
        const { icon: Icon, look } = LOOK[rung.state];
        return (
          <li
            key={rung.title}
            className={`flex items-center gap-1.5 rounded-md border-2 bg-base-100 px-2 py-0.5 text-sm ${look}`}
          >
            <Icon size={14} aria-hidden />
            {rung.title} <span className="text-xs">· {rung.words}</span>
          </li>
        );
      })}
      {far > 0 && (
        <li>
          <button className="btn btn-ghost btn-xs" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? "Hide those to come" : `${String(far)} rungs to come`}
          </button>
        </li>
      )}
    </ol>
  );
}
