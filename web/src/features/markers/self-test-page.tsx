import { t } from "../../catalogue";
import { useState } from "react";
import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { TableHead } from "../../ui/table-head";
import { Loading, Problem } from "../../ui/states";
import { Stepper } from "./stepper";
import { Strip } from "../../domain/strip";
import { useUnits } from "../../domain/use-units";
import { measure, markWords } from "../../domain/units";
import { faultWords, percent, tintWords } from "../../domain/words";
import { useSelfTest } from "./queries";

type Bead = Schemas["SelfTestBead"];

const PER_MM = 8;
const MIDDLE = 7;

/** Marking reference beads one after another, then one's marks beside theirs. */
export function SelfTestPage() {
  const { testId } = useParams();
  const { test, give } = useSelfTest(Number(testId));
  if (test.isPending) return <Loading />;
  if (test.isError) return <Problem error={test.error} />;
  const { beads, finished } = test.data;
  const at = beads.findIndex((bead) => bead.given === null);
  const bead = beads[at];
  return (
    <div className="mx-auto max-w-4xl">
      <h1 className="mb-2 text-2xl font-bold">
        {finished
          ? t("markers-your-marks-compared-with-the-references")
          : t("markers-bead-of", { at: at + 1, count: beads.length })}
      </h1>
      {bead && (
        <One
          key={bead.id}
          bead={bead}
          busy={give.isPending}
          give={(scores) => give.mutate({ bead: bead.id, scores })}
        />
      )}
      <Problem error={give.error} />
      {finished && <Result test={test.data} />}
    </div>
  );
}

type OneProps = { bead: Bead; busy: boolean; give: (scores: Record<string, number | null>) => void };

function One({ bead, busy, give }: OneProps) {
  const units = useUnits();
  const [scores, setScores] = useState<Record<string, number | null>>(() =>
    Object.fromEntries(Object.keys(bead.lines).map((key) => [key, MIDDLE])),
  );
  const { measurement: m } = bead;
  return (
    <Panel className="space-y-3">
      <p>
        {t("markers-target-wide", {
          title: bead.title,
          target_width_mm: measure(bead.target_width_mm, "length", units),
        })}
      </p>
      <div className="overflow-x-auto" role="region" aria-label={t("markers-the-bead")} tabIndex={0}>
        {m?.strip && <Strip strip={m.strip} perMm={PER_MM} label={t("markers-strip-of-the-bead")} />}
      </div>
      {m && (
        <p className="text-sm">
          {t("markers-measured", {
            width_cv: percent(m.width_cv),
            pitch_cv: percent(m.pitch_cv),
            toe_waviness: percent(m.toe_waviness),
            tint: m.tint_level === null ? t("common-not-measured") : tintWords(m.tint_level),
            faults:
              m.faults.length === 0
                ? t("common-none-seen")
                : m.faults.map((f) => faultWords(f.kind)).join(", "),
          })}
        </p>
      )}
      <ul className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
        {Object.entries(bead.lines).map(([key, words]) => (
          <li key={key}>
            <Stepper
              words={words}
              score={scores[key] ?? null}
              set={(score) => setScores({ ...scores, [key]: score })}
            />
          </li>
        ))}
      </ul>
      <button className="btn btn-primary" disabled={busy} onClick={() => give(scores)}>
        {t("markers-save-my-mark")}
      </button>
    </Panel>
  );
}

function Result({ test }: { test: Schemas["SelfTest"] }) {
  const paths = usePaths();
  return (
    <Panel className="space-y-3">
      {test.result && <p className="font-semibold">{test.result.said}</p>}
      <table className="table table-sm">
        <TableHead
          words={[t("markers-bead"), t("markers-you"), t("markers-reference"), t("common-comment")]}
        />
        <tbody>
          {test.beads.map((bead, i) => (
            <tr key={bead.id}>
              <th scope="row" className="font-medium">
                {i + 1}, {bead.title}
              </th>
              <td>{bead.given_total == null ? null : markWords(bead.given_total)}</td>
              <td>{bead.total == null ? null : markWords(bead.total)}</td>
              <td>{bead.comment}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Link className="btn" to={paths.to("markers")}>
        {t("markers-back-to-marking-consistency")}
      </Link>
    </Panel>
  );
}
