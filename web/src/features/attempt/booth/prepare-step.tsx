import { t } from "../../../catalogue";
import { Check } from "lucide-react";
import { useState } from "react";
import { Problem } from "../../../ui/states";
import type { Attempt } from "../../../domain/use-attempt";
import { PreparationDrawing } from "../preparation-drawing";
import { useTick } from "../queries";

/** The checklist, one line at a time: done, or left out for now. */
export function PrepareStep({ attempt, after }: { attempt: Attempt; after: () => void }) {
  const tick = useTick(attempt.id);
  const [skipped, setSkipped] = useState<string[]>([]);
  const done = attempt.preparation.filter((s) => s.done).map((s) => s.step);
  const next = attempt.preparation.find((s) => !s.done && !skipped.includes(s.step));
  const count = t("booth-prepared-of", { done: done.length, count: attempt.preparation.length });
  if (!next)
    return (
      <div className="space-y-4">
        <h2 className="text-2xl font-bold">{t("booth-prepare")}</h2>
        <p className="text-xl">{count}</p>
        <ul className="space-y-1 text-lg">
          {attempt.preparation.map((s) => (
            <li key={s.step} className={s.done ? "" : "font-semibold text-error"}>
              {s.done ? "✓" : "○"} {s.words}
            </li>
          ))}
        </ul>
        {skipped.length > 0 && (
          <button className="btn h-14 w-full btn-outline text-lg" onClick={() => setSkipped([])}>
            {t("booth-go-through-left-out")}
          </button>
        )}
      </div>
    );
  return (
    <div className="space-y-4">
      <h2 className="text-lg font-bold">
        {t("booth-prepare")} <span className="quiet font-normal">{count}</span>
      </h2>
      <p className="text-3xl leading-tight font-bold">{next.words}</p>
      <div className="flex items-center gap-3 text-lg">
        <PreparationDrawing step={next.step} />
        <p>{next.how}</p>
      </div>
      <button
        className="btn h-20 w-full text-2xl btn-primary"
        onClick={() => {
          const prepared = [...done, next.step];
          tick.mutate(prepared);
          if (prepared.length === attempt.preparation.length) after();
        }}
      >
        <Check aria-hidden /> {t("booth-done")}
      </button>
      <button
        className="btn h-14 w-full btn-outline text-lg"
        onClick={() => setSkipped([...skipped, next.step])}
      >
        {t("booth-leave-out")}
      </button>
      <Problem error={tick.error} />
    </div>
  );
}
