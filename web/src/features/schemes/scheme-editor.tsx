import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { vocabulary } from "../../api/generated-vocabulary";
import { ChoiceField } from "../../ui/choice-field";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { criteria, criterionWords } from "../../domain/words";
import { LineEditor } from "./line-editor";
import { useKeepScheme } from "./queries";
import { changedLine, lineFor, unused, withoutLine, type Body } from "./scheme-shape";
import { Tried } from "./tried";

type Props = {
  scheme: Schemas["Scheme"];
  /** A version that would have fitted the marks better, to begin with. */
  offered?: Body | undefined;
  mine: boolean;
  follow: (code: string) => void;
};

/** One scheme to change: its lines with weights and curves, what knocks out, where passing begins. */
export function SchemeEditor({ scheme, offered, mine, follow }: Props) {
  const [body, setBody] = useState<Body>(offered ?? scheme.body);
  const [open, setOpen] = useState<string | null>(null);
  const keep = useKeepScheme();
  const changed = body !== scheme.body;
  return (
    <div className="grid min-w-0 gap-4 xl:grid-cols-[minmax(0,1fr)_22rem]">
      <Panel className="space-y-3">
        {offered && (
          <p role="note" className="rounded-box bg-base-200 p-2 text-sm">
            {t("schemes-curves-adjusted-to-the-marks-given")}
          </p>
        )}
        <div className="grid gap-3 sm:grid-cols-[1fr_8rem_9rem]">
          <TextField
            label={t("common-title")}
            value={body.title}
            onChange={(title) => setBody({ ...body, title })}
          />
          <Figure
            label={t("schemes-pass-mark")}
            value={body.pass_mark}
            set={(v) => setBody({ ...body, pass_mark: v ?? 0 })}
          />
          <Figure
            label={t("schemes-time-allowed-s")}
            value={body.time_limit_s}
            set={(v) => setBody({ ...body, time_limit_s: v })}
          />
        </div>
        <ul className="divide-y divide-base-300">
          {body.lines.map((line, i) => (
            <LineEditor
              key={line.criterion}
              body={body}
              line={line}
              open={open === line.criterion}
              toggle={() => setOpen(open === line.criterion ? null : line.criterion)}
              change={(part) => setBody(changedLine(body, i, part))}
              remove={() => setBody(withoutLine(body, i))}
            />
          ))}
        </ul>
        <ChoiceField
          label={t("schemes-add-criterion")}
          value=""
          empty={t("schemes-select-a-criterion")}
          options={unused(body)}
          words={(key) =>
            criteria[key]?.byHand ? t("schemes-by-hand", { what: criterionWords(key) }) : criterionWords(key)
          }
          onChange={(key) => key && setBody({ ...body, lines: [...body.lines, lineFor(key)] })}
        />
        <KnockOuts body={body} change={setBody} />
      </Panel>
      <div className="space-y-3">
        <Tried code={scheme.code} body={body} />
        <Problem error={keep.error} />
        {mine ? (
          <div className="flex flex-wrap gap-2">
            <button
              className="btn btn-primary"
              disabled={!changed || keep.isPending}
              onClick={() => keep.mutate({ code: scheme.code, scheme: body })}
            >
              {t("schemes-save-as-next-version")}
            </button>
            <button
              className="btn"
              disabled={keep.isPending}
              onClick={() =>
                keep.mutate(
                  { code: null, scheme: body },
                  { onSuccess: (every) => follow(newCode(every, body.title) ?? scheme.code) },
                )
              }
            >
              {t("schemes-save-as-new-scheme")}
            </button>
            <button className="btn btn-ghost" disabled={!changed} onClick={() => setBody(scheme.body)}>
              {t("schemes-reset")}
            </button>
          </div>
        ) : (
          <p className="quiet">{t("schemes-only-the-instructor-can-save-schemes")}</p>
        )}
      </div>
    </div>
  );
}

/** The code of the newest scheme of a title. */
const newCode = (every: Schemas["Scheme"][], title: string) =>
  every.filter((one) => one.body.title === title).sort((a, b) => b.created_at.localeCompare(a.created_at))[0]
    ?.code;

type FigureProps = { label: string; value: number | null; set: (value: number | null) => void };

function Figure({ label, value, set }: FigureProps) {
  return (
    <TextField
      label={label}
      type="number"
      value={value ?? ""}
      onChange={(typed) => set(typed === "" ? null : Number(typed))}
    />
  );
}

function KnockOuts({ body, change }: { body: Body; change: (body: Body) => void }) {
  return (
    <fieldset>
      <legend className="font-bold">{t("schemes-automatic-fail")}</legend>
      <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
        {vocabulary.knockOuts.map((key) => (
          <label key={key} className="flex items-center gap-2 py-0.5 text-sm">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={body.knock_outs.includes(key)}
              onChange={(e) =>
                change({
                  ...body,
                  knock_outs: e.target.checked
                    ? [...body.knock_outs, key]
                    : body.knock_outs.filter((k) => k !== key),
                })
              }
            />
            {t(`knock-out-${key}`)}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
