import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { ChoiceField } from "../../ui/choice-field";
import { Dialog } from "../../ui/dialog";
import { Problem } from "../../ui/states";
import { UnitField } from "../../domain/unit-field";
import type { Attempt } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { figure, toSi } from "../../domain/units";
import { choiceWords, optionsOf, quantityOf } from "../../domain/words";
import { FindingSketch } from "./finding-sketch";
import { useMeasureAgain, useNote } from "./queries";
import type { Proposal } from "./score-shape";

type Props = { attempt: Attempt; proposal: Proposal; close: () => void };

/** What no photo shows, of what this coupon calls for, each with a drawing of where it is measured. */
export function FindingsDialog({ attempt, proposal, close }: Props) {
  const units = useUnits();
  const note = useNote(attempt.id);
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      Object.entries(proposal.found).map(([key, value]) => {
        const kind = quantityOf(key)?.kind;
        return [key, typeof value === "number" && kind ? figure(value, kind, units) : String(value)];
      }),
    ),
  );
  const back = attempt.photos.find((p) => p.kind === "back");
  const values = () =>
    Object.fromEntries(
      proposal.findings.map(({ key }) => {
        const text = typed[key] ?? "";
        const kind = quantityOf(key)?.kind;
        return [key, text === "" ? null : kind ? toSi(text, kind, units) : text];
      }),
    ) as Schemas["FindingsRequest"];
  return (
    <Dialog title={t("marking-manual-checks")} close={close}>
      <form
        className="space-y-2"
        onSubmit={(e) => {
          e.preventDefault();
          note.mutate(values(), { onSuccess: close });
        }}
      >
        {proposal.findings.map(({ key, words, at }) => {
          const kind = quantityOf(key)?.kind;
          const set = (text: string) => setTyped({ ...typed, [key]: text });
          return (
            <div key={key} className="flex items-center gap-3">
              <FindingSketch of={key} />
              <div className="grow">
                {kind ? (
                  <UnitField
                    label={words}
                    quantity={kind}
                    units={units}
                    value={typed[key] ?? ""}
                    onChange={set}
                  />
                ) : (
                  <ChoiceField
                    label={words}
                    value={typed[key] ?? ""}
                    options={optionsOf(key)}
                    words={(code) => choiceWords(key, code)}
                    empty={t("marking-not-checked")}
                    onChange={set}
                  />
                )}
                <p className="quiet text-xs">{at}</p>
              </div>
              {key === "back" && back && (
                <Back
                  attempt={attempt}
                  photo={back}
                  seen={proposal.back_seen}
                  take={(option) => set(option)}
                />
              )}
            </div>
          );
        })}
        <Problem error={note.error} />
        <button className="btn btn-primary" disabled={note.isPending}>
          {t("marking-save-checks")}
        </button>
      </form>
    </Dialog>
  );
}

type BackProps = {
  attempt: Attempt;
  photo: Schemas["Photo"];
  seen: string | null;
  take: (option: string) => void;
};

/** The photo of the back, and what its measuring speaks for once somebody has asked for it. */
function Back({ attempt, photo, seen, take }: BackProps) {
  const again = useMeasureAgain(attempt.id);
  return (
    <div className="w-32 shrink-0 text-xs">
      <a href={photo.url} target="_blank" rel="noreferrer">
        <img src={photo.url} alt={t("marking-the-back-of-the-coupon")} className="w-full rounded-box" />
      </a>
      {seen ? (
        <button type="button" className="btn mt-1 btn-xs" onClick={() => take(seen)}>
          {t("marking-measured", { choice: choiceWords("back", seen) })}
        </button>
      ) : (
        <button
          type="button"
          className="btn mt-1 btn-xs"
          disabled={attempt.measuring || again.isPending}
          onClick={() => again.mutate(photo.id)}
        >
          {attempt.measuring ? t("common-being-measured") : t("marking-measure-the-back")}
        </button>
      )}
      <Problem error={again.error} />
    </div>
  );
}
