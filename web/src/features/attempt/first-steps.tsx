import { GuideSteps } from "../../domain/guide-steps";
import { useGuide } from "../../domain/use-guide";

/** Three cards at a student's first coupon. */
export function FirstSteps() {
  const { read, tick } = useGuide();
  if (!read.data || read.data.over) return null;
  return <GuideSteps steps={read.data.steps} dismiss={() => tick.mutate("over")} act={() => null} />;
}
