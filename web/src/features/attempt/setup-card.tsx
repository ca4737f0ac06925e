import { t } from "../../catalogue";
import { Drum, Printer } from "lucide-react";
import { Link } from "react-router";
import { CardFigures } from "../../domain/card-figures";
import { CardPlan } from "../../domain/card-plan";
import { usePaths } from "../../domain/course";
import { OffCard } from "../../domain/off-card";
import { Panel, WarningNote } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import type { Attempt } from "../../domain/use-attempt";
import { useSetup } from "../../domain/use-setup";
import { useUnits } from "../../domain/use-units";
import { useMachine } from "./queries";
import { HeatAndGas, WhyCurrent } from "../../domain/why-current";
import { Worked } from "../../domain/worked";

/** The card to hold beside the machine: the aim big, the range under it. */
export function SetupCard({ attempt }: { attempt: Attempt }) {
  const setup = useSetup(attempt.id, attempt.version);
  const units = useUnits();
  const paths = usePaths();
  const machine = useMachine(attempt.id);
  if (setup.isPending) return <Loading />;
  if (setup.isError) return <Problem error={setup.error} again={() => void setup.refetch()} />;
  const { card, checks, worked, cautions, kit } = setup.data;
  return (
    <Panel as="details" open={attempt.state === "assigned"}>
      <summary className="cursor-pointer text-lg font-bold">{t("attempt-setup-card")}</summary>
      {checks.map((check) => (
        <div key={check.number} className="mt-2">
          {checks.length > 1 && (
            <h3 className="font-semibold">{t("common-run", { number: check.number })}</h3>
          )}
          <OffCard check={check} units={units} />
        </div>
      ))}
      <CardFigures card={card} units={units} hidden={machine.data?.advice.flatMap((one) => one.hides)} />
      {machine.data?.advice.map((one) => (
        <WarningNote key={one.code} severity="note">
          {one.words}
        </WarningNote>
      ))}
      <CardPlan card={card} units={units} />
      <Worked worked={worked} units={units} />
      {card.warnings.map((w) => (
        <WarningNote key={w.code} severity={w.severity}>
          {w.message}
        </WarningNote>
      ))}
      <div className="mt-3 flex flex-wrap gap-2">
        <Link className="btn" to={`${paths.attempt(attempt.id)}/cadence`}>
          <Drum size={18} aria-hidden /> {t("common-cadence")}
        </Link>
        <a
          className="btn"
          href={`/api/attempts/${String(attempt.id)}/card.pdf`}
          target="_blank"
          rel="noreferrer"
        >
          <Printer size={18} aria-hidden /> {t("attempt-print-on-a5")}
        </a>
      </div>
      <details className="mt-3">
        <summary className="cursor-pointer font-semibold">
          {t("common-why-a", { aim: card.current_a.aim.toFixed(0) })}
        </summary>
        <WhyCurrent card={card} />
        <HeatAndGas card={card} units={units} />
      </details>
      <details className="mt-2">
        <summary className="cursor-pointer font-semibold">{t("attempt-kit")}</summary>
        <ul className="list-disc pl-5">
          {kit.map((part) => (
            <li key={part}>{part}</li>
          ))}
        </ul>
      </details>
      <details className="mt-2">
        <summary className="cursor-pointer font-semibold">{t("attempt-before-you-strike-an-arc")}</summary>
        <ul className="list-disc pl-5">
          {cautions.map((c) => (
            <li key={c.code}>{c.words}</li>
          ))}
        </ul>
      </details>
    </Panel>
  );
}
