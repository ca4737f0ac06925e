import { t } from "../../catalogue";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { dateWords } from "../../domain/words";
import { stuckIn } from "./order";

type Standing = Schemas["CouponStanding"];

type Props = { standings: Standing[] };

/** Who may climb, with the next coupon one click away: for one of them, or for all. */
export function MayClimb({ standings }: Props) {
  const ready = newestOf(standings.filter((s) => s.forecast.ready));
  return (
    <Panel tight aria-label={t("wall-ready-for-the-next-coupon")} className="mb-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="font-bold">{t("wall-ready-for-the-next-coupon")}</h2>
        <GiveAll ready={ready} />
      </div>
      {ready.length === 0 && <p className="quiet">{t("wall-no-one-yet")}</p>}
      <ul className="gap-x-8 md:columns-2">
        {ready.map((s) => (
          <Row key={key(s)} standing={s} short>
            {s.next_step && <GiveNext step={s.next_step} person={s.student.id} />}
          </Row>
        ))}
      </ul>
    </Panel>
  );
}

type StuckProps = Props & { resting: Schemas["Standing"][] };

/** Who is stuck, how many failed in a row, and the likeliest cause; and who has not welded for long. */
export function Stuck({ standings, resting }: StuckProps) {
  const paths = usePaths();
  const stuck = newestOf(stuckIn(standings));
  return (
    <Panel tight aria-label={t("wall-stuck")}>
      <h2 className="font-bold">{t("wall-stuck")}</h2>
      {stuck.length + resting.length === 0 && <p className="quiet">{t("wall-no-one")}</p>}
      <ul className="divide-y divide-base-300">
        {stuck.map((s) => (
          <Row key={key(s)} standing={s}>
            <span className="text-sm font-semibold text-secondary">
              {s.failed_in_a_row > 0 && t("wall-failed-in-a-row", { failed_in_a_row: s.failed_in_a_row })}
              {s.cause && ` – ${s.cause}`}
            </span>
          </Row>
        ))}
        {resting.map((one) => (
          <li key={one.student.id} className="flex flex-wrap justify-between gap-x-3 py-1">
            <Link className="font-medium hover:underline" to={paths.student(one.student.id)}>
              {one.student.display_name}
            </Link>
            <span className="text-sm font-semibold text-secondary">
              {one.last_worked_at
                ? t("wall-not-welded-since", { date: dateWords(one.last_worked_at) })
                : t("common-no-attempts-yet")}
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

const key = (s: Standing) => `${String(s.student.id)}-${String(s.forecast.assignment)}`;

/** Of each student only the newest coupon. */
function newestOf(standings: Standing[]): Standing[] {
  const last = new Map(standings.map((s) => [s.student.id, s]));
  return [...last.values()];
}

type RowProps = { standing: Standing; short?: boolean; children: React.ReactNode };

function Row({ standing, short = false, children }: RowProps) {
  const paths = usePaths();
  const { student, forecast } = standing;
  return (
    <li className="flex flex-wrap items-baseline justify-between gap-x-3 py-1">
      <span>
        <Link className="font-medium hover:underline" to={paths.student(student.id)}>
          {student.display_name}
        </Link>
        , {forecast.title}
      </span>
      {children}
      {!short && <span className="quiet basis-full text-xs">{forecast.words}</span>}
    </li>
  );
}

/** The next coupon for everybody who is ready for it: one click here, one on the form. */
function GiveAll({ ready }: { ready: Standing[] }) {
  const paths = usePaths();
  const steps = new Map(ready.flatMap((s) => (s.next_step ? [[s.next_step.id, s.next_step]] : [])));
  return [...steps.values()].map((step) => {
    const people = ready.filter((s) => s.next_step?.id === step.id).map((s) => s.student.id);
    if (people.length < 2) return null;
    return (
      <Link
        key={step.id}
        className="btn mb-1 btn-primary btn-sm"
        to={`${paths.to("assign")}?give=${String(step.id)}&to=${people.join(",")}`}
      >
        {t("wall-assign-to-all", { title: step.title, count: people.length })}
      </Link>
    );
  });
}

function GiveNext({ step, person }: { step: Schemas["SequenceCoupon"]; person: number }) {
  const paths = usePaths();
  return (
    <Link className="link text-sm" to={`${paths.to("assign")}?give=${String(step.id)}&to=${String(person)}`}>
      {t("common-assign", { title: step.title })}
    </Link>
  );
}
