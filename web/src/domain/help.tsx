/** Question marks beside what newcomers ask about. */

import { CircleHelp } from "lucide-react";
import { t } from "../catalogue";
import { helpPlace } from "../ui/help-place";

/** Terms of fields that newcomers ask about, by the field's key. */
const TERMS: Record<string, string> = {
  background_a: "peak-background-peak-time",
  cup: "cup",
  downslope_s: "down-slope",
  electrode_mm: "tungsten",
  filler_mm: "filler-rod",
  gas_part: "gas-lens",
  leg_lower_mm: "leg",
  leg_upper_mm: "leg",
  on_share: "peak-background-peak-time",
  peak_a: "peak-background-peak-time",
  postflow_s: "pre-flow-and-post-flow",
  preflow_s: "pre-flow-and-post-flow",
  purge_l_min: "purge",
  restarts_mm: "tie-in",
  stickout_mm: "stick-out",
  throat_mm: "throat",
};

type Props = { place: string; words: string };

/** A small question mark that opens help beside the page. */
export function HelpMark({ place, words }: Props) {
  return (
    <button
      type="button"
      className="btn btn-circle btn-ghost align-text-bottom btn-xs"
      aria-label={t("shared-help-on", { words })}
      onClick={() => helpPlace.set(place)}
    >
      <CircleHelp size={14} aria-hidden />
    </button>
  );
}

/** The question mark beside a field whose term has a drawing or a sentence in help; nothing for others. */
export function TermMark({ field, words }: { field: string; words: string }) {
  const term = TERMS[field];
  return term === undefined ? null : <HelpMark place={`terms#${term}`} words={words} />;
}
