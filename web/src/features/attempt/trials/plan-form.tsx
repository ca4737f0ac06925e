import { t } from "../../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { UnitField } from "../../../domain/unit-field";
import type { Units } from "../../../domain/units";
import { choiceWords, fieldWords, quantityOf } from "../../../domain/words";
import { ChoiceField } from "../../../ui/choice-field";
import { Panel } from "../../../ui/panel";
import { Problem } from "../../../ui/states";
import { opening, request, type Asked, type Proposal } from "./trial-shape";

type Props = {
  proposals: readonly Proposal[];
  units: Units;
  busy: boolean;
  error: unknown;
  open: boolean;
  around: { key: string; middle: number } | null;
  begin: (body: Schemas["TrialRequest"]) => void;
};

/** What is varied, from where to where, in how many beads, on which blank. */
export function PlanForm({ proposals, units, busy, error, open, around, begin }: Props) {
  const [shown, show] = useState(open);
  const [key, setKey] = useState(around?.key ?? proposals[0]?.key ?? "current_a");
  const proposal = proposals.find((one) => one.key === key) ?? proposals[0];
  const [typed, type] = useState<Partial<Asked>>({});
  if (!proposal) return null;
  if (!shown)
    return (
      <button className="btn h-14 w-full btn-outline text-lg" onClick={() => show(true)}>
        {t("trials-another")}
      </button>
    );
  const middle = proposal.key === around?.key ? around.middle : null;
  const asked: Asked = { ...opening(proposal, units, middle), ...typed };
  const set = (change: Partial<Asked>) => type({ ...typed, ...change });
  const kind = quantityOf(proposal.key)?.kind ?? "plain";
  return (
    <Panel
      as="form"
      className="space-y-3"
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        begin(request(proposal, asked, units));
      }}
    >
      <h2 className="text-lg font-bold">{t("trials-plan")}</h2>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <div className="col-span-2 sm:col-span-1">
          <ChoiceField
            label={t("trials-varied")}
            value={proposal.key}
            options={proposals.map((one) => one.key)}
            words={fieldWords}
            onChange={(chosen) => {
              setKey(chosen as typeof key);
              type({});
            }}
          />
        </div>
        {proposal.values.length > 0 ? (
          <p className="col-span-2 self-end sm:col-span-3">
            {proposal.values.map((code) => choiceWords(proposal.key, code)).join(" · ")}
          </p>
        ) : (
          <>
            <UnitField
              label={t("trials-from")}
              quantity={kind}
              units={units}
              value={asked.low}
              onChange={(low) => set({ low })}
            />
            <UnitField
              label={t("trials-to")}
              quantity={kind}
              units={units}
              value={asked.high}
              onChange={(high) => set({ high })}
            />
            <UnitField
              label={t("trials-beads")}
              quantity="count"
              units={units}
              value={asked.beads}
              onChange={(beads) => set({ beads })}
            />
          </>
        )}
        <UnitField
          label={t("trials-blank-long")}
          quantity="length"
          units={units}
          value={asked.long}
          placeholder={t("trials-usual")}
          onChange={(long) => set({ long })}
        />
        <UnitField
          label={t("trials-blank-wide")}
          quantity="length"
          units={units}
          value={asked.wide}
          placeholder={t("trials-usual")}
          onChange={(wide) => set({ wide })}
        />
      </div>
      <p className="text-sm">{t("trials-rest")}</p>
      <Problem error={error} />
      <button className="btn h-14 w-full text-lg btn-primary" disabled={busy}>
        {t("trials-begin")}
      </button>
    </Panel>
  );
}
