import { t } from "../../catalogue";
import { useNavigate } from "react-router";
import { usePaths } from "../../domain/course";
import { Field } from "../../ui/field";
import type { Attempt } from "../../domain/use-attempt";
import { nameOf } from "./compare-shape";
import { useMeasured } from "./queries";

/** Which two of a student's beads lie over one another. */
export function Chooser({ earlier, later }: { earlier: Attempt; later: Attempt }) {
  const paths = usePaths();
  const navigate = useNavigate();
  const measured = useMeasured(later.student.id);
  const go = (above: number, below: number) => void navigate(paths.compare(above, below), { replace: true });
  const places = [
    { words: t("compare-above"), chosen: earlier, choose: (id: number) => go(id, later.id) },
    { words: t("compare-below"), chosen: later, choose: (id: number) => go(earlier.id, id) },
  ];
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      {places.map(({ words, chosen, choose }) => (
        <Field key={words} label={words}>
          <select
            className="select w-full"
            value={chosen.id}
            onChange={(e) => choose(Number(e.target.value))}
          >
            {measured.map((a) => (
              <option key={a.id} value={a.id}>
                {nameOf(a)}
              </option>
            ))}
            {!measured.some((a) => a.id === chosen.id) && <option value={chosen.id}>{nameOf(chosen)}</option>}
          </select>
        </Field>
      ))}
    </div>
  );
}
