import { Say, t } from "../../catalogue";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { useCourse, usePaths } from "../../domain/course";
import { monthWords } from "../../domain/words";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { TableHead } from "../../ui/table-head";
import { TablesSwitch } from "../../ui/plot-frame";
import { Loading, Problem } from "../../ui/states";
import { useAgreement } from "../../domain/use-agreement";
import { useSetShare } from "./queries";
import { References } from "./references";
import { SeverityPlot } from "./severity-plot";

type Agreement = Schemas["Agreement"];

/** Whether those who teach mark alike: second marks, each over time, what would have fitted better, references. */
export function MarkersPage() {
  const agreement = useAgreement();
  const paths = usePaths();
  if (agreement.isPending) return <Loading />;
  if (agreement.isError) return <Problem error={agreement.error} again={() => void agreement.refetch()} />;
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-2xl font-bold">{t("common-marking-consistency")}</h1>
        <TablesSwitch />
        <Link className="link" to={paths.to("measuring")}>
          {t("measuring-title")}
        </Link>
        <Link className="link" to={paths.to("eye")}>
          {t("eye-title")}
        </Link>
      </div>
      <div className="grid gap-3 xl:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="min-w-0 space-y-3">
          <Agreements agreement={agreement.data} />
          <Panel tight aria-label={t("markers-markers-over-time")}>
            <h2 className="font-bold">{t("markers-each-marker-compared-with-suggested-marks")}</h2>
            {agreement.data.markers.length === 0 && <p className="quiet">{t("markers-no-marks-yet")}</p>}
            <div className="flex flex-wrap gap-x-6 gap-y-2">
              {agreement.data.markers.map((one) => (
                <SeverityPlot key={one.marker.id} marker={one} />
              ))}
            </div>
          </Panel>
          <Departures agreement={agreement.data} />
          <Causes agreement={agreement.data} />
        </div>
        <div className="space-y-3">
          <Share share={agreement.data.share} />
          <References />
        </div>
      </div>
    </div>
  );
}

/** Whole numbers of percent; the lot is drawn when a mark is first set. */
function Share({ share }: { share: number }) {
  const mine = useCourse().role === "instructor";
  const set = useSetShare();
  const [typed, setTyped] = useState(String(share));
  return (
    <Panel tight aria-label={t("markers-blind-second-marks")}>
      <h2 className="font-bold">{t("markers-blind-second-marks")}</h2>
      <p className="mb-2 text-sm">{t("markers-this-share-of-marks-is-picked")}</p>
      {mine ? (
        <form
          className="flex items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            set.mutate(Number(typed));
          }}
        >
          <TextField
            label={t("markers-share")}
            type="number"
            min={0}
            max={100}
            value={typed}
            onChange={setTyped}
          />
          <button className="btn btn-primary" disabled={set.isPending || typed === String(share)}>
            {t("markers-save-share")}
          </button>
        </form>
      ) : (
        <p>
          <Say
            id="markers-only-the-instructor-can-change-it"
            vars={{ share }}
            elems={{ strong: <strong /> }}
          />
        </p>
      )}
      <Problem error={set.error} />
    </Panel>
  );
}

function Agreements({ agreement }: { agreement: Agreement }) {
  return (
    <Panel tight aria-label={t("markers-first-and-second-marks-compared")}>
      <h2 className="font-bold">{t("markers-first-and-second-marks-compared")}</h2>
      {agreement.lines.length === 0 ? (
        <p className="quiet">{t("markers-no-second-marks-yet")}</p>
      ) : (
        <div
          className="overflow-x-auto"
          role="region"
          aria-label={t("markers-agreement-by-line")}
          tabIndex={0}
        >
          <table className="table table-xs">
            <TableHead
              words={[
                t("common-criterion"),
                t("markers-pairs"),
                t("markers-second-minus-first"),
                t("markers-weighted-kappa"),
                t("markers-intraclass-correlation"),
                t("markers-meaning"),
              ]}
            />
            <tbody>
              {agreement.lines.map((one) => (
                <tr key={one.key} className={one.key === "total" || one.key === "passed" ? "font-bold" : ""}>
                  <th scope="row" className="font-medium">
                    {one.words}
                  </th>
                  <td>{one.pairs}</td>
                  <td>{one.key === "passed" ? "–" : interval(one.difference, 1)}</td>
                  <td>{interval(one.kappa, 2)}</td>
                  <td>{one.key === "passed" ? "–" : interval(one.icc, 2)}</td>
                  <td className="font-normal">{one.said}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Panel>
  );
}

/** A figure with the range that holds it at 95 %. */
function interval(one: Schemas["Interval"] | null, digits: number): string {
  if (one === null) return "–";
  const figure = (v: number) => signed(v, digits);
  return t("markers-to", { value: figure(one.value), low: figure(one.low), high: figure(one.high) });
}

/** A figure with a true minus, and none before nought. */
function signed(value: number, digits: number): string {
  const text = Math.abs(value).toFixed(digits);
  return value < 0 && Number(text) !== 0 ? `−${text}` : text;
}

/**
 * How causes that stood first fared: confirmed, ruled out, or another one instead; and the share of
 * right ones by month.
 */
function Causes({ agreement }: { agreement: Agreement }) {
  const { causes, months } = agreement;
  return (
    <Panel tight aria-label={t("markers-causes")}>
      <h2 className="font-bold">{t("markers-causes")}</h2>
      {causes.length === 0 ? (
        <p className="quiet">{t("markers-no-causes")}</p>
      ) : (
        <table className="table table-xs">
          <TableHead
            words={[
              t("markers-suggested-first"),
              t("markers-times"),
              t("marking-confirmed"),
              t("markers-ruled-out"),
              t("markers-instead"),
            ]}
          />
          <tbody>
            {causes.map((one) => (
              <tr key={one.code}>
                <th scope="row" className="font-medium">
                  {one.words}
                </th>
                <td>{one.first}</td>
                <td>{one.confirmed}</td>
                <td>{one.ruled_out}</td>
                <td>{one.instead.join(", ")}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {months.length > 0 && (
        <p className="mt-2 text-sm">
          {t("markers-first-right")}{" "}
          {months
            .map((m) => t("markers-month", { month: monthWords(m.month), right: m.right, judged: m.judged }))
            .join(" · ")}
        </p>
      )}
    </Panel>
  );
}

function Departures({ agreement }: { agreement: Agreement }) {
  const paths = usePaths();
  return (
    <Panel tight aria-label={t("markers-beside-the-suggestion")}>
      <h2 className="font-bold">{t("markers-marks-compared-with-suggestions-by-criterion")}</h2>
      <table className="table table-xs">
        <TableHead
          words={[
            t("common-criterion"),
            t("markers-marks"),
            t("markers-given-minus-suggested"),
            t("markers-meaning"),
          ]}
        />
        <tbody>
          {agreement.departures.map((one) => (
            <tr key={one.criterion}>
              <th scope="row" className="font-medium">
                {one.words}
              </th>
              <td>{one.marks}</td>
              <td>{interval(one.difference, 2)}</td>
              <td>{one.said}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {agreement.offers.map((one) => (
        <p key={one.code} className="mt-2">
          <Say
            id="markers-curves-for-would-fit-your-marks"
            vars={{ title: one.title, changed: one.changed.join(", ") }}
            elems={{
              strong: <strong />,
              go: <Link className="link" to={`${paths.to("schemes")}?scheme=${one.code}&offer=1`} />,
            }}
          />
        </p>
      ))}
    </Panel>
  );
}
