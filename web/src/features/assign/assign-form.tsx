import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { ChoiceField } from "../../ui/choice-field";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { vocabulary } from "../../api/generated-vocabulary";
import { Problem } from "../../ui/states";
import { useSchemes } from "../../domain/use-schemes";
import { UnitField } from "../../domain/unit-field";
import { useUnits } from "../../domain/use-units";
import { figure, toSi } from "../../domain/units";
import { fieldWords, finishWords, optionsOf, quantityOf } from "../../domain/words";
import { useGive } from "./queries";
import { Who } from "./who";

type Design = Schemas["Design"];
type Finish = NonNullable<Design["finish"]>;

const WEEK_MS = 7 * 86_400_000;
const DUE_IN_WEEKS = 2;
const inWeeks = (weeks: number) => new Date(Date.now() + weeks * WEEK_MS).toISOString().slice(0, 10);

type Props = {
  design: Design;
  usual: Finish;
  /** For whom it was asked from elsewhere; null for the whole class. */
  to?: number[] | null;
  /** With what was assigned; with nothing where it was cancelled. */
  done: (given?: Schemas["Assignment"]) => void;
};

/** The goal of a coupon, whom it is for, and by when. */
export function AssignForm({ design, usual, to = null, done }: Props) {
  const units = useUnits();
  const give = useGive(done);
  const [width, setWidth] = useState(figure(design.target_width_mm, "length", units));
  const [finish, setFinish] = useState<Finish>(
    design.finish === "warm" || !design.finish ? usual : design.finish,
  );
  const [inARow, setInARow] = useState("3");
  const [dueOn, setDueOn] = useState(inWeeks(DUE_IN_WEEKS));
  const [some, setSome] = useState<number[] | null>(to);
  const schemes = useSchemes();
  const [scheme, setScheme] = useState<string>(vocabulary.usualScheme);
  const [passMark, setPassMark] = useState("");
  const rules = schemes.data?.find((one) => one.code === scheme);
  const row = quantityOf("good_in_a_row");
  const submit = () =>
    give.mutate({
      design: design.id,
      target_width_mm: toSi(width, "length", units) ?? 0,
      finish,
      good_in_a_row: Number(inARow),
      scheme,
      pass_mark: passMark === "" ? null : Number(passMark),
      due_on: dueOn,
      students: some,
    });
  return (
    <Panel
      as="form"
      tone="primary"
      className="h-fit space-y-3 lg:sticky lg:top-4"
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        submit();
      }}
    >
      <h2 className="text-lg font-bold">{t("assign-assign", { title: design.title })}</h2>
      <UnitField
        label={t("assign-target-bead-width")}
        quantity="length"
        units={units}
        value={width}
        onChange={setWidth}
      />
      <ChoiceField
        label={t("assign-finish-goal")}
        value={finish}
        options={optionsOf("finish")}
        words={finishWords}
        tall
        onChange={(code) => setFinish(code as Finish)}
      />
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label={fieldWords("good_in_a_row")}
          type="number"
          min={row?.low}
          max={row?.high}
          value={inARow}
          onChange={setInARow}
        />
        <TextField label={t("assign-due")} type="date" value={dueOn} onChange={setDueOn} />
        <ChoiceField
          label={t("assign-marking-scheme")}
          value={scheme}
          options={(schemes.data ?? []).map((one) => one.code)}
          words={(code) => schemes.data?.find((one) => one.code === code)?.body.title ?? code}
          onChange={setScheme}
        />
        <TextField
          label={fieldWords("pass_mark")}
          type="number"
          min={0}
          max={100}
          placeholder={rules ? String(rules.body.pass_mark) : ""}
          value={passMark}
          onChange={setPassMark}
        />
      </div>
      <Who some={some} choose={setSome} />
      <Problem error={give.error} />
      <div className="flex gap-2">
        <button className="btn grow btn-primary" disabled={give.isPending}>
          {give.isPending ? t("assign-assigning") : t("assign-assign-coupon")}
        </button>
        <button type="button" className="btn" onClick={() => done()}>
          {t("common-cancel")}
        </button>
      </div>
    </Panel>
  );
}
