import { Say, t } from "../../catalogue";
import { Callipers } from "../../domain/callipers";
import type { Attempt } from "../../domain/use-attempt";
import { RunBeads } from "../../domain/run-beads";
import { ViewsOf } from "../../domain/views-of";
import { WhatIf } from "../../domain/whatif/what-if";
import { FiguresOf } from "./figures";
import { RunAssessment } from "./run-assessment";
import { RunCard } from "./run-card";
import type { Marking } from "./use-mark";

type Props = { attempt: Attempt; mark: Marking; open: boolean; toggle: () => void };

/** What is long and seldom needed: every figure, the whole log and list, the other photos. */
export function More({ attempt, mark, open, toggle }: Props) {
  return (
    <div>
      <button className="btn btn-ghost btn-xs" aria-expanded={open} onClick={toggle}>
        {open ? t("marking-hide") : t("marking-show")}{" "}
        <Say
          id="marking-all-measurements-the-log-and-other"
          elems={{ kbd: <kbd className="kbd kbd-xs" /> }}
        />
      </button>
      {open && (
        <div className="mt-2 space-y-3">
          <FiguresOf attempt={attempt} />
          <Callipers attempt={attempt} />
          <WhatIf attempt={attempt} />
          <RunCard attempt={attempt} />
          <RunBeads
            attempt={attempt}
            more={(run) => <RunAssessment attempt={attempt} run={run} mark={mark} />}
          />
          <ViewsOf attempt={attempt} />
        </div>
      )}
    </div>
  );
}
