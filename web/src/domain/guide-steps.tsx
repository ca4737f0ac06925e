import { Check } from "lucide-react";
import type { ReactNode } from "react";
import type { Schemas } from "../api/client";
import { t } from "../catalogue";
import { Panel } from "../ui/panel";

type Step = Schemas["GuideStep"];
type Props = {
  steps: Step[];
  dismiss: () => void;
  /** What is done in place at a step that is not done yet. */
  act: (step: Step) => ReactNode;
};

/** The first things to do, one card each; gone for good when all are done, or dismissed. */
export function GuideSteps({ steps, dismiss, act }: Props) {
  const next = steps.find((step) => !step.done)?.key;
  return (
    <Panel tight aria-label={t("guide-first-steps")} className="mb-3">
      <div className="mb-2 flex items-baseline justify-between gap-3">
        <h2 className="font-bold">{t("guide-first-steps")}</h2>
        <button className="btn btn-ghost btn-xs" onClick={dismiss}>
          {t("guide-dismiss-guide")}
        </button>
      </div>
      <ol className="grid gap-2 sm:grid-cols-[repeat(auto-fit,minmax(10rem,1fr))]">
        {steps.map((step, i) => (
          <li
            key={step.key}
            className={`rounded-box border-2 p-2 ${step.key === next ? "border-primary" : "border-base-300"}`}
          >
            <h3 className="flex items-center gap-1.5 font-semibold">
              {step.done ? (
                <Check size={18} className="text-success" aria-label={t("guide-done")} />
              ) : (
                <span className="quiet">{i + 1}</span>
              )}
              {t(`guide-${step.key}`)}
            </h3>
            {!step.done && (
              <>
                <p className="my-1 text-sm">{t(`guide-${step.key}-how`)}</p>
                {act(step)}
              </>
            )}
          </li>
        ))}
      </ol>
    </Panel>
  );
}
