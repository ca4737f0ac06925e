import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { Panel } from "../../ui/panel";
import { useLight, type Place } from "../../domain/place";
import { Loading, Problem } from "../../ui/states";
import type { Attempt } from "../../domain/use-attempt";
import { wholePercent } from "../../domain/words";
import { useCauses, useJudgeCause } from "./queries";
import type { CauseChoice } from "./mark-draft";

type Cause = Schemas["Cause"];
type Evidence = Schemas["Evidence"];
export const MAX_CARDS = 3;

type Props = {
  attempt: Attempt;
  causes: ReturnType<typeof useCauses>;
  cause: string | null;
  confirm: (one: CauseChoice) => void;
  both: () => void;
};

/** Why the bead looks like that: the likeliest causes as short cards, each with its evidence. */
export function CausesPanel({ attempt, causes, cause, confirm, both }: Props) {
  const judge = useJudgeCause(attempt.id);
  if (causes.isPending) return <Loading />;
  if (causes.isError) return <Problem error={causes.error} again={() => void causes.refetch()} />;
  const { data } = causes;
  return (
    <Panel tight aria-label={t("marking-likely-causes")} className="space-y-2">
      <Symptoms data={data} />
      {data.both && (
        <p className="flex flex-wrap items-center gap-2 text-sm font-semibold">
          {data.both.words}
          <button className="btn btn-xs" onClick={both}>
            <kbd className="mr-1 kbd kbd-xs">d</kbd>
            {t("marking-confirm-both")}
          </button>
        </p>
      )}
      {data.log_note !== null && <p className="text-sm">{data.log_note}</p>}
      {data.causes.length > 0 && (
        <ol className="grid gap-2 md:grid-cols-3">
          {data.causes.slice(0, MAX_CARDS).map((one, i) => (
            <Card
              key={one.code}
              cause={one}
              number={i + 1}
              confirmed={one.code === cause}
              confirm={() => confirm(one)}
              ruleOut={() =>
                judge.mutate({ cause: one.code, verdict: one.verdict === "ruled_out" ? null : "ruled_out" })
              }
              notBeside={() => judge.mutate({ cause: one.code, verdict: null })}
              busy={judge.isPending}
            />
          ))}
        </ol>
      )}
      <Problem error={judge.error} />
      {data.ruled_out.length > 0 && (
        <p className="flex flex-wrap items-center gap-1 text-sm">
          <span className="quiet">{t("marking-ruled-out-list")}</span>
          {data.ruled_out.map((one) => (
            <button
              key={one.code}
              className="btn btn-ghost line-through btn-xs"
              disabled={judge.isPending}
              aria-label={t("marking-undo-ruled-out", { cause: one.words })}
              onClick={() => judge.mutate({ cause: one.code, verdict: null })}
            >
              {one.words}
            </button>
          ))}
        </p>
      )}
      {data.causes.length > MAX_CARDS && (
        <details className="text-sm">
          <summary className="cursor-pointer">
            {t("marking-less-likely", { count: data.causes.length - MAX_CARDS })}
          </summary>
          <ul>
            {data.causes.slice(MAX_CARDS).map((one) => (
              <li key={one.code} className="flex items-center gap-2">
                <button className="btn btn-xs" aria-pressed={one.code === cause} onClick={() => confirm(one)}>
                  {t("marking-confirm")}
                </button>
                {one.words} <span className="quiet">{wholePercent(one.share)}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </Panel>
  );
}

function Symptoms({ data }: { data: Schemas["Explanation"] }) {
  const light = useLight();
  if (data.sound === null) return <p>{t("marking-no-causes-to-suggest-no-bead")}</p>;
  if (data.sound)
    return <p className="text-sm font-semibold text-success">{t("marking-no-problems-found")}</p>;
  return (
    <ul className="flex flex-wrap items-center gap-1.5 text-sm" aria-label={t("marking-symptoms")}>
      {data.symptoms.map((s) => (
        <li key={`${s.code}${String(s.from_mm)}`}>
          <span className="badge border-base-content/40 bg-base-200" {...light(placeOf(s))}>
            {s.words}
          </span>
        </li>
      ))}
    </ul>
  );
}

const placeOf = (one: Pick<Evidence, "track" | "from_mm" | "to_mm">): Place | null =>
  one.track === null ? null : { track: one.track, from: one.from_mm, to: one.to_mm };

type CardProps = {
  cause: Cause;
  number: number;
  confirmed: boolean;
  confirm: () => void;
  ruleOut: () => void;
  notBeside: () => void;
  busy: boolean;
};

function Card({ cause, number, confirmed, confirm, ruleOut, notBeside, busy }: CardProps) {
  const out = cause.verdict === "ruled_out";
  return (
    <li
      className={[
        "flex min-w-0 flex-col rounded-box border-2 p-2 text-sm",
        confirmed ? "border-primary bg-base-200" : "border-base-300",
        out ? "opacity-70" : "",
      ].join(" ")}
    >
      <h2 className="flex items-baseline justify-between gap-1 font-bold">
        <span className={out ? "line-through" : ""}>
          <kbd className="mr-1 kbd kbd-xs">{number}</kbd>
          {cause.words}
        </span>
        <span className="quiet shrink-0 font-normal">
          {t("marking-certainty", { certainty: cause.certainty, share: (100 * cause.share).toFixed(0) })}
        </span>
      </h2>
      <ul className="my-1 grow space-y-0.5 text-xs">
        {cause.speaks_for.map((one) => (
          <Piece key={`for-${one.what}`} one={one} sign="+" />
        ))}
        {cause.against.map((one) => (
          <Piece key={`against-${one.what}`} one={one} sign="−" />
        ))}
        {cause.history && <li className="quiet">{cause.history}</li>}
        {cause.new.length > 0 && (
          <li className="font-semibold">{t("marking-new-since", { evidence: cause.new.join(", ") })}</li>
        )}
      </ul>
      <div className="flex flex-wrap gap-1">
        {cause.verdict === "beside" && !confirmed && (
          <button className="btn btn-primary btn-xs" aria-pressed disabled={busy} onClick={notBeside}>
            {t("marking-there-too")}
          </button>
        )}
        <button
          className={`btn btn-xs ${confirmed ? "btn-primary" : ""}`}
          aria-pressed={confirmed}
          onClick={confirm}
        >
          {confirmed ? t("marking-confirmed") : t("marking-confirm")}
        </button>
        <button className="btn btn-ghost btn-xs" aria-pressed={out} disabled={busy} onClick={ruleOut}>
          {out ? t("marking-ruled-out") : t("marking-rule-out")}
        </button>
      </div>
    </li>
  );
}

/** One piece of evidence; what lies somewhere on the bead lights up there while pointed at. */
function Piece({ one, sign }: { one: Evidence; sign: "+" | "−" }) {
  const light = useLight();
  const place = placeOf(one);
  const words = (
    <>
      <span aria-hidden>{sign} </span>
      <span className="sr-only">
        {t(sign === "+" ? "marking-speaks-for-it" : "marking-speaks-against-it")}{" "}
      </span>
      {one.words}
    </>
  );
  return (
    <li className={sign === "+" ? "" : "quiet"}>
      {place ? (
        <button className="cursor-help text-left underline decoration-dotted" {...light(place)}>
          {words}
        </button>
      ) : (
        words
      )}
    </li>
  );
}
