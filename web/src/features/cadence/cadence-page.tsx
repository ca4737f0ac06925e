import { useUnits } from "../../domain/use-units";
import { stepped } from "../../domain/units";
import { t } from "../../catalogue";
import { useEffect, useState } from "react";
import { Link, useParams } from "react-router";
import { Play, Square, Volume2, VolumeX } from "lucide-react";
import { useCourse } from "../../domain/course";
import { Loading, Problem } from "../../ui/states";
import { Stepper } from "../../ui/stepper";
import { newest, useAttempt, type Attempt } from "../../domain/use-attempt";
import { useSetup } from "../../domain/use-setup";
import type { Schemas } from "../../api/client";
import { beatsFor, isLit, phaseAt, type Phase, type Plan } from "../../domain/beat";
import { Trainer } from "./trainer";
import { useBeep, useClock } from "../../ui/use-clock";

export function CadencePage() {
  const { attemptId } = useParams();
  const id = Number(attemptId);
  const attempt = useAttempt(id);
  const setup = useSetup(id, attempt.data?.version ?? 0);
  if (attempt.isPending || setup.isPending) return <Loading />;
  if (attempt.isError || setup.isError)
    return (
      <Problem
        error={attempt.error ?? setup.error}
        again={() => {
          void attempt.refetch();
          void setup.refetch();
        }}
      />
    );
  return <Cadence attempt={attempt.data} card={setup.data.card} />;
}

type Pulse = { per_second?: number } | undefined;

function Cadence({ attempt, card }: { attempt: Attempt; card: Schemas["Card"] }) {
  const course = useCourse();
  const units = useUnits();
  const design = attempt.assignment.design;
  const pulse = (design.more as { pulse?: Pulse } | undefined)?.pulse?.per_second;
  const slowPulse = pulse !== undefined && pulse <= 3 ? pulse : null;
  const rate = slowPulse ?? card.dabs_per_s ?? 1;
  const pitch =
    slowPulse === null ? (card.dab_pitch_mm?.aim ?? card.travel_mm_s.aim) : card.travel_mm_s.aim / slowPulse;
  const [perSecond, setPerSecond] = useState(rate.toFixed(2));
  const [beats, setBeats] = useState(String(card.runs?.dabs ?? beatsFor(design.length_mm ?? 90, pitch)));
  const [loud, setLoud] = useState(true);
  const plan: Plan = {
    settle_s: card.start_s.aim,
    per_second: Math.max(0.1, Number(perSecond) || rate),
    beats: Math.max(1, Math.round(Number(beats) || 1)),
    hold_s: card.postflow_s.aim,
  };
  const before = useAttempt(attempt.earlier?.id ?? attempt.id);
  const ripples = newest(before.data ?? attempt).measurement?.report?.ripple?.positions_mm ?? [];
  const clock = useClock();
  const now = phaseAt(clock.elapsed, plan);
  const beep = useBeep();
  const mark = `${now.phase}${String(now.beat)}`;
  useEffect(() => {
    if (clock.running && loud) beep(now.phase === "beat" ? 880 : now.phase === "hold" ? 440 : 660);
    if (now.phase === "done" && clock.running) clock.stop();
    // One beep for each new beat or phase.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [mark]);
  return (
    <div className="mx-auto flex max-w-md flex-col gap-3">
      <Link className="link text-sm" to={`/course/${String(course.id)}/attempt/${String(attempt.id)}`}>
        {t("common-attempt", { title: design.title, number: attempt.number })}
      </Link>
      <h1 className="sr-only">{t("common-cadence")}</h1>
      <Face
        now={now}
        plan={plan}
        running={clock.running}
        what={slowPulse === null ? t("cadence-dab") : t("cadence-pulse")}
      />
      <div className="flex gap-2">
        <button
          className="btn h-16 grow text-xl btn-primary"
          onClick={() => {
            if (clock.running) clock.stop();
            else clock.start();
          }}
        >
          {clock.running ? (
            <>
              <Square aria-hidden /> {t("cadence-stop")}
            </>
          ) : (
            <>
              <Play aria-hidden /> {t("cadence-start")}
            </>
          )}
        </button>
        <button
          className="btn h-16 w-16"
          aria-pressed={loud}
          aria-label={loud ? t("cadence-sound-on") : t("cadence-sound-off")}
          onClick={() => setLoud(!loud)}
        >
          {loud ? <Volume2 /> : <VolumeX />}
        </button>
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Stepper
          id="cadence-rate"
          label={slowPulse === null ? t("common-dabs") : t("cadence-pulses")}
          unit={t("cadence-per-second")}
          value={perSecond}
          next={(typed, by) => stepped(typed, by, "rate", units, 0.1)}
          onChange={setPerSecond}
        />
        <Stepper
          id="cadence-beats"
          label={slowPulse === null ? t("cadence-dabs-per-run") : t("cadence-pulses-per-run")}
          unit=""
          value={beats}
          next={(typed, by) => stepped(typed, by, "count", units, 1)}
          onChange={setBeats}
        />
      </div>
      <p className="quiet text-sm">
        {t("cadence-s-of-arc-for-mm-then", {
          beats: (plan.beats / plan.per_second).toFixed(0),
          beats_2: (plan.beats * pitch || 0).toFixed(0),
          hold_s: plan.hold_s.toFixed(0),
        })}
      </p>
      <Trainer
        perSecond={plan.per_second}
        travelMmS={card.travel_mm_s.aim}
        ripples={ripples}
        place={`judicum-cadence-${String(attempt.assignment.id)}`}
      />
    </div>
  );
}

function Face({ now, plan, running, what }: { now: Phase; plan: Plan; running: boolean; what: string }) {
  const lit = running && now.phase === "beat" && isLit(now.part);
  const words =
    !running && now.phase !== "done"
      ? t("cadence-ready")
      : now.phase === "settle"
        ? t("cadence-make-the-puddle")
        : now.phase === "beat"
          ? what
          : now.phase === "hold"
            ? t("cadence-hold-still")
            : t("cadence-done");
  const big =
    !running && now.phase !== "done"
      ? String(plan.beats)
      : now.phase === "settle" || now.phase === "hold"
        ? String(Math.ceil(now.left_s))
        : String(now.beat);
  const tone = lit
    ? "bg-accent text-accent-content"
    : now.phase === "hold" && running
      ? "bg-primary text-primary-content"
      : "bg-neutral text-neutral-content";
  return (
    <div
      className={`flex aspect-square max-h-[46dvh] w-full flex-col items-center justify-center rounded-box ${tone}`}
    >
      <span className="text-[7rem] leading-none font-bold" role="timer">
        {big}
      </span>
      <span className="text-2xl">{words}</span>
      {now.phase === "beat" && running && (
        <span className="text-lg">{t("cadence-of", { beats: plan.beats })}</span>
      )}
    </div>
  );
}
