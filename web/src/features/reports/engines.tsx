import { useCourse } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useEngines } from "./queries";

/** Whether figures of an earlier engine are left, and measuring them again in the background. */
export function Engines() {
  const mine = useCourse().role === "instructor";
  const { read, start, stop } = useEngines(true);
  if (!read.data) return <Problem error={read.error} />;
  const { present, outdated, corrected, running, done, total } = read.data;
  return (
    <Panel tight aria-label="Measurement version" className="space-y-2">
      <h2 className="font-bold">Measurement version</h2>
      <p className="text-sm" role="status">
        {outdated === 0
          ? `All photos were measured with the current version, ${present}.`
          : `${String(outdated)} photos were measured with a version before ${present}.`}
        {corrected > 0 && ` ${String(corrected)} with manual corrections stay as they are.`}
      </p>
      {running && (
        <>
          <progress
            className="progress w-full progress-primary"
            value={done}
            max={total}
            aria-label="Measured again"
          />
          <p className="text-sm">
            {done} of {total} measured again
          </p>
        </>
      )}
      <Problem error={start.error ?? stop.error} />
      {mine && !running && outdated > 0 && (
        <button className="btn btn-sm" disabled={start.isPending} onClick={() => start.mutate()}>
          Measure all again with version {present}
        </button>
      )}
      {mine && running && (
        <button className="btn btn-sm" disabled={stop.isPending} onClick={() => stop.mutate()}>
          Stop measuring
        </button>
      )}
    </Panel>
  );
}
