import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { wholePercent } from "../../domain/words";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { TableHead } from "../../ui/table-head";
import { useMeasuring } from "./queries";

type Kind = Schemas["FaultTruth"];

/**
 * What people corrected of marked beads: per kind of fault how often it was right, and the limit
 * that this speaks for.
 */
export function Corrections() {
  const { read, setLimit } = useMeasuring();
  const mayChange = useCourse().role === "instructor";
  if (read.isPending) return <Loading />;
  if (read.isError) return null; // the panel above says it
  const { kinds, said, rule } = read.data.corrections;
  return (
    <Panel className="space-y-3" aria-label={t("corrections-title")}>
      <h2 className="text-lg font-bold">{t("corrections-title")}</h2>
      {said.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {kinds.length > 0 && (
        <div className="overflow-x-auto" role="region" aria-label={t("corrections-kinds")} tabIndex={0}>
          <table className="table table-xs">
            <TableHead
              words={[
                t("corrections-kind"),
                t("corrections-found"),
                t("corrections-right"),
                t("corrections-missed"),
                t("corrections-limit"),
              ]}
            />
            <tbody>
              {kinds.map((kind) => (
                <tr key={kind.kind}>
                  <th scope="row" className="font-medium">
                    {kind.name}
                  </th>
                  <td>{kind.found}</td>
                  <td>{rightWords(kind)}</td>
                  <td>{kind.missed}</td>
                  <td>
                    <Limit
                      kind={kind}
                      busy={!mayChange || setLimit.isPending}
                      set={(on) => setLimit.mutate({ kind: kind.kind, on })}
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <p className="quiet text-sm">{rule}</p>
      <Problem error={setLimit.error} />
    </Panel>
  );
}

const rightWords = (kind: Kind) =>
  kind.found === 0
    ? "–"
    : t("measuring-range", {
        value: wholePercent(kind.right / kind.found),
        low: wholePercent(kind.low),
        high: wholePercent(kind.high),
      });

type LimitProps = { kind: Kind; busy: boolean; set: (on: boolean) => void };

function Limit({ kind, busy, set }: LimitProps) {
  const spoken = kind.spoken_for;
  if (kind.limit !== null)
    return (
      <>
        {t("corrections-from", { from: kind.limit.toFixed(2) })}{" "}
        <button className="btn btn-xs" disabled={busy} onClick={() => set(false)}>
          {t("corrections-undo")}
        </button>
      </>
    );
  if (spoken === null) return <>–</>;
  return (
    <>
      {t("corrections-speak", {
        from: spoken.confidence.toFixed(2),
        wrong: spoken.wrong,
        below: spoken.below,
      })}{" "}
      <button className="btn btn-xs" disabled={busy} onClick={() => set(true)}>
        {t("corrections-take")}
      </button>
    </>
  );
}
