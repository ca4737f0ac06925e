import { t } from "../catalogue";
import type { Schemas } from "../api/client";
import { RunsSketch } from "./runs-sketch";
import { cupWords, figure, measure, type Units } from "./units";

type Card = Schemas["Card"];

/** What goes with a card's figures: runs over one another, how far one run reaches, tacks, what to look at. */
export function CardPlan({ card, units }: { card: Card; units: Units }) {
  const tacks = card.notes.filter((note) => note.topic === "tacks");
  const others = card.notes.filter((note) => note.topic !== "tacks");
  return (
    <div className="mt-3 space-y-3">
      {card.passes.length > 0 && <PlannedRuns card={card} units={units} />}
      {card.cover && (
        <p>
          {t("shared-cover", {
            reach: measure(card.cover.reach_mm, "length", units, 0),
            under: measure(card.cover.under_s, "time", units),
          })}{" "}
          {card.cover.longest_run_mm !== null &&
            t("shared-longest-run", {
              length: measure(card.cover.longest_run_mm, "length", units, 0),
              dabs: card.cover.dabs ?? 0,
              why: card.cover.limited_by ?? "",
            })}
        </p>
      )}
      {others.map((note) => (
        <p key={note.words}>{note.words}</p>
      ))}
      {tacks.length > 0 && (
        <details>
          <summary className="cursor-pointer font-semibold">{t("shared-tacks")}</summary>
          <ul className="list-disc pl-5">
            {tacks.map((note) => (
              <li key={note.words}>{note.words}</li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function PlannedRuns({ card, units }: { card: Card; units: Units }) {
  return (
    <section className="grid items-center gap-3 sm:grid-cols-[10rem_minmax(0,1fr)]">
      <RunsSketch runs={card.passes} corner={card.angles_deg.work < 90} />
      <ol className="divide-y divide-base-300">
        {card.passes.map((run) => (
          <li key={run.number} className="py-1.5">
            <span className="font-bold">
              {run.number}. {run.kind}: {measure(run.current_a, "current", units)}
            </span>{" "}
            <span className="quiet">
              {t("shared-to", {
                low: figure(run.low_a, "current", units),
                high: figure(run.high_a, "current", units),
              })}
            </span>
            <span className="block text-sm">
              {t("shared-run-of-a-card", {
                technique: run.technique,
                cup: cupWords(run.cup, units),
                stickout: measure(run.stickout_mm, "length", units, 0),
                gas: measure(run.gas_l_min, "flow", units),
                rod: run.filler_mm === null ? t("common-none") : measure(run.filler_mm, "size", units),
              })}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
