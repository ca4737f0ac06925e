import { defectWords, runWords, tintNames } from "../../ui/words";
import type { Suggestion } from "./score-shape";

const pct = (v: unknown) => `${(Number(v) * 100).toFixed(1)} %`;
const mm = (v: unknown) => `${Number(v).toFixed(2)} mm`;
const level = (v: unknown) => `${String(v)} ${tintNames[Number(v)] ?? ""}`;

const countsOf = (figures: Record<string, unknown>) =>
  Object.entries(figures)
    .flatMap(([kind, count]) => (defectWords[kind] ? [`${String(count)} × ${defectWords[kind]}`] : []))
    .join(", ");

/** From which figures a suggestion comes, in words. */
export function because({ reason, figures: f }: Suggestion): string {
  if (reason.startsWith("off_the_card:"))
    return `off the card: ${reason
      .slice(13)
      .split(",")
      .map((k) => runWords[k]?.toLowerCase() ?? k.replaceAll("_", " "))
      .join(", ")}`;
  switch (reason) {
    case "width_cv":
      return `width varies ${pct(f.width_cv)} around ${mm(f.width_mean_mm)}`;
    case "even_but_off_target":
      return `varies ${pct(f.width_cv)}, but ${mm(f.width_mean_mm)} where ${mm(f.target_width_mm)} was asked`;
    case "ripple_cv":
      return `gaps vary ${pct(f.ripple_cv)} around ${mm(f.pitch_mm)}, ${String(f.lapses)} lapses`;
    case "no_ripples_to_judge":
      return "no distinct ripples; toes and width count instead";
    case "toe_waviness":
      return `toes wave by ${mm(f.left_mm)} left, ${mm(f.right_mm)} right`;
    case "within_finish":
      return `bead ${level(f.bead_level)}, up to ${level(f.accepted_level)} accepted`;
    case "darker_than_finish":
      return `bead ${level(f.bead_level)}, only up to ${level(f.accepted_level)} accepted`;
    case "tint_lopsided":
      return `bead ${level(f.bead_level)}; zone lopsided, ${mm(f.left_mm)} left, ${mm(f.right_mm)} right`;
    case "grey_is_a_reject":
      return `grey on ${pct(f.grey_share)} of the bead: always a reject`;
    case "as_the_card":
      return "everything logged lies on the card";
    case "not_logged":
      return "nothing was logged to judge by";
    case "sugar_is_a_reject":
      return `sugared over ${mm(f.length_mm)}: always a reject`;
    case "less_for_faults":
      return `mean of the lines above, less ${String(f.cost)} for ${countsOf(f)}`;
    case "mean_of_the_others":
      return "mean of the lines above";
    default:
      return "nothing measured; set it by eye";
  }
}
