import { useState } from "react";
import type { Schemas } from "../../api/client";
import { t } from "../../catalogue";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { useEye, useStart } from "./queries";
import { Round } from "./round";

/** The eye trainer: rounds of drawn beads with a hidden habit, and how they went, beside one's real marks. */
export function EyePage() {
  const read = useEye();
  const start = useStart();
  const [playing, setPlaying] = useState<number | null>(null);
  const begin = () => start.mutate(undefined, { onSuccess: (round) => setPlaying(round.id) });
  return (
    <div className="mx-auto max-w-5xl space-y-3">
      <h1 className="text-2xl font-bold">{t("eye-title")}</h1>
      {playing !== null ? (
        <Round key={playing} id={playing} again={begin} leave={() => setPlaying(null)} />
      ) : read.isPending ? (
        <Loading />
      ) : read.isError ? (
        <Problem error={read.error} again={() => void read.refetch()} />
      ) : (
        <Standing eye={read.data} busy={start.isPending} begin={begin} />
      )}
      <Problem error={start.error} />
    </div>
  );
}

type StandingProps = { eye: Schemas["Eye"]; busy: boolean; begin: () => void };

function Standing({ eye, busy, begin }: StandingProps) {
  return (
    <Panel className="space-y-4">
      <p>{t("eye-about")}</p>
      <p className="quiet text-sm">{t("eye-drawn-not-real")}</p>
      <p>
        <strong>{t("eye-level", { level: eye.next_level })}</strong> ·{" "}
        {t("eye-known", { shown: eye.shown, causes: eye.causes, due: eye.due })}
      </p>
      <button className="btn h-14 text-lg btn-primary" disabled={busy} onClick={begin}>
        {eye.open_round === null ? t("eye-start") : t("eye-go-on-round")}
      </button>
      <div className="grid gap-4 sm:grid-cols-2">
        <Bars
          words={t("eye-history")}
          shares={eye.rounds.map((one) => [one.score / eye.most, t("eye-level", { level: one.level })])}
        />
        <Bars words={t("eye-marks")} shares={eye.marks.map((one) => [one.total / 100, ""])} />
      </div>
    </Panel>
  );
}

type BarsProps = { words: string; shares: [share: number, more: string][] };

/** One bar each, the oldest first. */
function Bars({ words, shares }: BarsProps) {
  if (shares.length === 0) return null;
  return (
    <section aria-label={words}>
      <h2 className="mb-1 text-sm font-bold">{words}</h2>
      <ol className="flex h-24 items-end gap-1 border-b border-base-content/40">
        {shares.map(([share, more], k) => (
          <li key={k} className="flex h-full max-w-8 min-w-2 flex-1 flex-col justify-end" title={more}>
            <span className="text-center text-xs">{(100 * share).toFixed(0)}</span>
            <span className="block rounded-t-sm bg-primary" style={{ height: `${String(75 * share)}%` }} />
          </li>
        ))}
      </ol>
    </section>
  );
}
