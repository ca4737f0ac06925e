import { t } from "../../../catalogue";
import { ArrowLeft, ArrowRight } from "lucide-react";
import { useState } from "react";
import { Link, Navigate, useParams, useSearchParams } from "react-router";
import type { Schemas } from "../../../api/client";
import { usePaths } from "../../../domain/course";
import { box } from "../../../domain/outbox/outbox";
import { fields } from "../../../domain/run-fields";
import { useAttempt, type Attempt } from "../../../domain/use-attempt";
import { useSetup } from "../../../domain/use-setup";
import { useUnits } from "../../../domain/use-units";
import { trimmed } from "../../../domain/units";
import { fieldWords } from "../../../domain/words";
import { Loading, Problem } from "../../../ui/states";
import { useStored } from "../../../ui/store";
import { useWakeLock } from "../../../ui/use-wake-lock";
import { draftPlace, openedRun, problemsIn, runFrom, typedFrom } from "../log-shape";
import { PhotoStep } from "../photo-step";
import { useLastRuns, useMachine, useSaveRun } from "../queries";
import { useDraft } from "../use-draft";
import { coolsSince, CouponsBar } from "./coupons-bar";
import { proposedPostflow } from "./go";
import { GoStep } from "./go-step";
import { NextStep } from "./next-step";
import { NoticedStep } from "./noticed-step";
import { PrepareStep } from "./prepare-step";
import { SetStep } from "./set-step";
import { beside, resumeAt, STEPS, stepsOf, type Step } from "./steps";

/** The attempt at the booth: one thing at a time, for a gloved hand at arm's length. */
export function BoothPage() {
  const { attemptId } = useParams();
  const id = Number(attemptId);
  const paths = usePaths();
  const attempt = useAttempt(id);
  const setup = useSetup(id, attempt.data?.version ?? 0);
  const last = useLastRuns(id);
  const opened = useStored(box).opened[id];
  const [asked] = useSearchParams();
  useWakeLock();
  if (opened !== undefined)
    return <Navigate to={`${paths.attempt(opened)}/booth?${asked.toString()}`} replace />;
  if (attempt.isPending || setup.isPending || last.isPending) return <Loading />;
  const error = attempt.error ?? setup.error;
  if (error || !attempt.data || !setup.data)
    return <Problem error={error} again={() => void attempt.refetch()} />;
  if (attempt.data.mark) return <Navigate to={paths.attempt(id)} replace />;
  return <Booth attempt={attempt.data} setup={setup.data} last={last.data ?? null} />;
}

type Props = { attempt: Attempt; setup: Schemas["Setup"]; last: Schemas["LastRuns"] | null };

function Booth({ attempt, setup, last }: Props) {
  const [asked, ask] = useSearchParams();
  const tacks = setup.card.tacks;
  const prepared = attempt.preparation.every((s) => s.done);
  const begin = resumeAt(
    attempt.runs.length,
    prepared,
    attempt.photos.some((p) => p.kind === "bead"),
  );
  const run = Number(asked.get("run") ?? begin.run);
  const steps = stepsOf(run, tacks !== null);
  const wanted = asked.get("step") as Step | null;
  const step = wanted && STEPS.includes(wanted) ? wanted : begin.step;
  const to = (next: Step, of = run) => ask({ run: String(of), step: next });
  const [before, after] = [beside(steps, step, -1), beside(steps, step, 1)];
  const goOn = () => after && to(after);
  const paths = usePaths();
  return (
    <div className="mx-auto flex max-w-md flex-col gap-3">
      <CouponsBar attempt={attempt.id} />
      <div className="flex items-center gap-2">
        {before ? (
          <button className="btn size-14 btn-outline" aria-label={t("booth-back")} onClick={() => to(before)}>
            <ArrowLeft aria-hidden />
          </button>
        ) : (
          <Link
            className="btn size-14 btn-outline"
            aria-label={t("booth-whole-page")}
            to={paths.attempt(attempt.id)}
          >
            <ArrowLeft aria-hidden />
          </Link>
        )}
        <h1 className="grow text-center text-base leading-tight font-semibold">
          {t("common-attempt", { title: attempt.assignment.design.title, number: attempt.number })}
          <span className="block text-sm font-normal">
            {t("booth-run-step", { run, at: steps.indexOf(step) + 1, count: steps.length })}
          </span>
        </h1>
        <button
          className="btn size-14 btn-outline"
          aria-label={t("booth-forward")}
          disabled={!after}
          onClick={goOn}
        >
          <ArrowRight aria-hidden />
        </button>
      </div>
      {step === "prepare" && <PrepareStep attempt={attempt} after={goOn} />}
      {step === "tack" && (
        <div className="space-y-3 text-xl">
          <h2 className="text-2xl font-bold">{t("booth-tack")}</h2>
          {setup.card.notes
            .filter((note) => note.topic === "tacks")
            .map((note) => (
              <p key={note.words}>{note.words}</p>
            ))}
          <button className="btn h-20 w-full text-2xl btn-primary" onClick={goOn}>
            {t("booth-tacked")}
          </button>
        </div>
      )}
      {["set", "go", "noticed"].includes(step) && (
        <RunSteps key={run} {...{ attempt, setup, last, run, step, goOn }} />
      )}
      {step === "photo" && <PhotoStep attempt={attempt} />}
      {step === "next" && (
        <NextStep
          attempt={attempt}
          planned={Math.max(1, setup.planned_runs.length)}
          nextRun={() => to("set", attempt.runs.length + 1)}
        />
      )}
    </div>
  );
}

type RunProps = Props & { run: number; step: Step; goOn: () => void };

/** The steps in which a run is set, welded and looked at; what is typed is the long page's own draft. */
function RunSteps({ attempt, setup, last, run, step, goOn }: RunProps) {
  const units = useUnits();
  const machine = useMachine(attempt.id);
  const [openedAt] = useState(() => Date.now());
  const glowPlace = `judicum-glow-${String(attempt.assignment.id)}`;
  const glowS = Number(localStorage.getItem(glowPlace) ?? NaN);
  const { start } = openedRun(attempt, setup, last, run, openedAt);
  const proposed = Number.isNaN(glowS) ? {} : { postflow_s: proposedPostflow(glowS) };
  const opening = typedFrom({ ...start.run, ...proposed }, fields, units);
  const draft = useDraft(draftPlace(attempt.id, run, units), opening);
  const save = useSaveRun(attempt.id, run);
  /** What a trial found of a figure that no field of the run holds. */
  const found = (key: string): { aim?: number } => {
    const value = setup.starts.find((one) => one.key === key)?.value;
    return typeof value === "number" ? { aim: value } : {};
  };
  const set = (key: string, value: string) => draft.change({ ...draft.typed, [key]: value });
  const wrong = Object.keys(problemsIn(draft.typed, fields, units));
  if (step === "set")
    return (
      <SetStep
        typed={draft.typed}
        units={units}
        hidden={machine.data?.advice.flatMap((one) => one.hides) ?? []}
        advice={machine.data?.advice ?? []}
        readOff={run === 1 ? setup.read_off : null}
        glowS={Number.isNaN(glowS) ? null : glowS}
        rpm={setup.card.turntable_rpm && { ...setup.card.turntable_rpm, ...found("turntable_rpm") }}
        set={set}
        after={goOn}
      />
    );
  if (step === "go")
    return (
      <GoStep
        postflowS={Number(draft.typed.postflow_s?.replace(",", ".")) || setup.card.postflow_s.aim}
        perSecond={found("dabs_per_s").aim ?? setup.card.dabs_per_s}
        ended={(arcS) => set("arc_s", trimmed(arcS.toFixed(1)))}
        glowed={(seconds) => localStorage.setItem(glowPlace, String(seconds))}
        cooling={(since) => coolsSince(attempt.id, since)}
      />
    );
  return (
    <>
      <NoticedStep typed={draft.typed} set={set} />
      {wrong.length > 0 && (
        <p role="alert" className="text-lg text-error">
          {t("attempt-not-saved-check", { wrong: wrong.map(fieldWords).join(", ") })}
        </p>
      )}
      <Problem error={save.error} />
      <button
        className="btn sticky bottom-16 h-20 w-full text-2xl btn-primary sm:bottom-2"
        disabled={save.isPending || wrong.length > 0}
        onClick={() =>
          save.mutate(runFrom(draft.typed, fields, units, start.run), {
            onSuccess: () => {
              draft.done();
              goOn();
            },
          })
        }
      >
        {t("attempt-save-log")}
      </button>
    </>
  );
}
