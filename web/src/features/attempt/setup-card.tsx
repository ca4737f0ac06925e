import { Drum, Printer } from "lucide-react";
import { Link } from "react-router";
import { useCourse } from "../../ui/course";
import { Loading, Problem } from "../../ui/states";
import { OffCard } from "../../ui/off-card";
import { CardFigures } from "../../ui/card-figures";
import { Worked } from "../../ui/worked";
import type { Attempt } from "../../ui/use-attempt";
import { useSetup } from "../../ui/use-setup";
import { useUnits } from "../../ui/use-units";

/** The card to hold beside the machine: the aim big, the range under it. */
export function SetupCard({ attempt }: { attempt: Attempt }) {
  const setup = useSetup(attempt.id, attempt.version);
  const units = useUnits();
  const course = useCourse();
  if (setup.isPending) return <Loading what="the setup card" />;
  if (setup.isError) return <Problem error={setup.error} again={() => void setup.refetch()} />;
  const { card, checks, worked, cautions } = setup.data;
  const welded = attempt.state !== "assigned";
  return (
    <details className="rounded-box border border-base-300 bg-base-100 p-4" open={!welded}>
      <summary className="cursor-pointer text-lg font-bold">Setup card</summary>
      {checks.map((check) => (
        <div key={check.number} className="mt-2">
          {checks.length > 1 && <h3 className="font-semibold">Run {check.number}</h3>}
          <OffCard check={check} units={units} />
        </div>
      ))}
      <CardFigures card={card} units={units} />
      <Worked worked={worked} units={units} />
      {card.warnings.map((w) => (
        <p key={w.code} role="note" className="mt-2 rounded-box bg-warning p-2 text-warning-content">
          {w.message}
        </p>
      ))}
      <div className="mt-3 flex flex-wrap gap-2">
        <Link className="btn" to={`/course/${String(course.id)}/attempt/${String(attempt.id)}/cadence`}>
          <Drum size={18} aria-hidden /> Cadence
        </Link>
        <a
          className="btn"
          href={`/api/attempts/${String(attempt.id)}/card.pdf`}
          target="_blank"
          rel="noreferrer"
        >
          <Printer size={18} aria-hidden /> Print on A5
        </a>
      </div>
      <details className="mt-3">
        <summary className="cursor-pointer font-semibold">Why {card.current_a.aim.toFixed(0)} A</summary>
        <p>
          {card.current_a.rule}; {card.current_a.because.map((b) => b.replaceAll("_", " ")).join(", ")}.
        </p>
        <ul className="list-disc pl-5">
          {card.opinions.map((o) => (
            <li key={o.rule}>
              {o.rule}: {o.current_a.toFixed(0)} A
            </li>
          ))}
        </ul>
        <p>
          Heat {card.heat_kj_mm.arc.toFixed(2)} kJ/mm at the arc, {card.heat_kj_mm.net.toFixed(2)} reaches the
          work. Gas for a run of 100 mm: {card.gas_l_per_run.toFixed(0)} L; Reynolds number{" "}
          {card.reynolds.toFixed(0)}.
        </p>
      </details>
      <details className="mt-2">
        <summary className="cursor-pointer font-semibold">Before you strike</summary>
        <ul className="list-disc pl-5">
          {cautions.map((c) => (
            <li key={c.code}>{c.words}</li>
          ))}
        </ul>
      </details>
    </details>
  );
}
