import { t } from "../../catalogue";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap } from "../../api/client";
import { ChoiceField } from "../../ui/choice-field";
import { useCourse } from "../../domain/course";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { dateWords } from "../../domain/words";
import { attemptKeys } from "../../domain/keys";
import { useMachine } from "./queries";

/** The booth and its machine: what worked on it last, and saying what does not work there. */
export function Machine({ attempt }: { attempt: number }) {
  const { read, choose, report } = useMachineChanges(attempt);
  const [broken, setBroken] = useState<string | null>(null);
  if (!read.data || read.data.booths.length === 0) return null;
  const { booth, booths, worked } = read.data;
  const here = booths.find((one) => one.id === booth);
  return (
    <Panel tight aria-label={t("attempt-booth-and-machine")} className="space-y-2">
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-40">
          <ChoiceField
            label={t("attempt-booth")}
            tall
            value={booth === null ? "" : String(booth)}
            empty={booth === null ? t("attempt-not-selected") : undefined}
            options={booths.map((one) => String(one.id))}
            words={(id) => booths.find((one) => String(one.id) === id)?.name ?? id}
            onChange={(id) => choose.mutate(Number(id))}
          />
        </div>
        {here && broken === null && (
          <button className="btn h-12" onClick={() => setBroken("")}>
            {t("attempt-report-a-fault")}
          </button>
        )}
      </div>
      {here?.broken && (
        <p className="font-semibold text-error">{t("attempt-reported-fault", { broken: here.broken })}</p>
      )}
      {here && broken !== null && (
        <form
          className="flex flex-wrap items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            report.mutate({ booth: here.id, text: broken }, { onSuccess: () => setBroken(null) });
          }}
        >
          <div className="grow">
            <TextField label={t("attempt-what-is-broken")} value={broken} onChange={setBroken} />
          </div>
          <button className="btn btn-primary" disabled={report.isPending || broken === ""}>
            {t("attempt-send")}
          </button>
        </form>
      )}
      {read.data.ac_controls !== "" && (
        <p>{t("attempt-ac-controls", { ac_controls: read.data.ac_controls })}</p>
      )}
      {read.data.knobs !== "" && <p>{t("attempt-knobs", { knobs: read.data.knobs })}</p>}
      {worked && (
        <p>
          <strong>{t("attempt-on-this-machine-this-coupon-passed", { date: dateWords(worked.at) })}</strong>{" "}
          {worked.words.join(", ")}.
        </p>
      )}
      <Problem error={choose.error ?? report.error} />
    </Panel>
  );
}

function useMachineChanges(attempt: number) {
  const { id } = useCourse();
  const queries = useQueryClient();
  const key = attemptKeys.machine(attempt);
  const path = { attempt_id: attempt };
  const read = useMachine(attempt);
  const choose = useMutation({
    mutationFn: (booth: number) =>
      unwrap(api.PUT("/api/attempts/{attempt_id}/machine", { params: { path }, body: { booth } })),
    onSuccess: (after) => queries.setQueryData(key, after),
  });
  const report = useMutation({
    mutationFn: ({ booth, text }: { booth: number; text: string }) =>
      unwrap(
        api.POST("/api/courses/{course_id}/booths/{booth_id}/notes", {
          params: { path: { course_id: id, booth_id: booth } },
          body: { text },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: key }),
  });
  return { read, choose, report };
}
