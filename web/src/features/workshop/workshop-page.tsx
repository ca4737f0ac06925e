import { named, t } from "../../catalogue";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { TextField, Toggle } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { useMakeCourse } from "../../domain/use-make-course";
import { dateWords } from "../../domain/words";
import { useWorkshop, useWorkshopCourses } from "./queries";

/** The workshop, for its owners: courses, and what holds for all of them. */
export function WorkshopPage() {
  const { read, set } = useWorkshop();
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <section className="space-y-3">
        <div className="flex flex-wrap items-baseline gap-x-5">
          <h1 className="text-2xl font-bold">{read.data.name}</h1>
          <Link className="link" to="/workshop/people">
            {t("common-people")}
          </Link>
          <Link className="link" to="/workshop/mail">
            {t("workshop-sent-mail")}
          </Link>
          <Link className="link" to="/workshop/server">
            {t("workshop-server")}
          </Link>
        </div>
        <Courses />
      </section>
      <aside className="space-y-3">
        <Rules key={JSON.stringify(read.data)} now={read.data} set={set} />
      </aside>
    </div>
  );
}

function Courses() {
  const { read, part } = useWorkshopCourses();
  const make = useMakeCourse();
  const [name, setName] = useState("");
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  return (
    <>
      <ul className="divide-y divide-base-300 rounded-box border border-base-300 bg-base-100">
        {read.data.map((one) => (
          <li key={one.id} className="flex min-h-12 flex-wrap items-center gap-x-4 px-3 py-1">
            <span className="grow font-medium">{one.name}</span>
            <span className="quiet">
              {one.people} {one.people === 1 ? t("workshop-person") : t("workshop-people")}
              {one.archived_at && t("workshop-archived", { date: dateWords(one.archived_at) })}
            </span>
            {one.role ? (
              <Link
                className="btn btn-sm"
                to={`/course/${String(one.id)}/desk`}
                aria-label={t("workshop-open", { name: one.name })}
              >
                {t("workshop-open-as", { roles: named("role", one.role) })}
              </Link>
            ) : (
              <button
                className="btn btn-sm"
                aria-label={t("workshop-join", { name: one.name })}
                onClick={() => part.mutate(one.id)}
              >
                {t("workshop-join-as", { instructor: t("role-instructor") })}
              </button>
            )}
          </li>
        ))}
      </ul>
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          make.mutate({ name, like: null });
        }}
      >
        <TextField label={t("workshop-name-of-the-new-course")} value={name} onChange={setName} />
        <button className="btn btn-primary" disabled={name === "" || make.isPending}>
          {t("common-create-course")}
        </button>
      </form>
      <Problem error={part.error ?? make.error} />
    </>
  );
}

type RulesProps = { now: Schemas["Workshop"]; set: ReturnType<typeof useWorkshop>["set"] };

function Rules({ now, set }: RulesProps) {
  const [name, setName] = useState(now.name);
  const [second, setSecond] = useState(now.second_factor);
  const [days, setDays] = useState(now.photo_retention_days === null ? "" : String(now.photo_retention_days));
  return (
    <Panel
      as="form"
      className="space-y-3"
      aria-label={t("workshop-workshop-settings")}
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        set.mutate({ name, second_factor: second, photo_retention_days: days === "" ? null : Number(days) });
      }}
    >
      <h2 className="text-lg font-bold">{t("workshop-workshop-settings")}</h2>
      <TextField label={t("workshop-workshop-name")} value={name} onChange={setName} />
      <Toggle checked={second} onChange={setSecond}>
        {t("workshop-require-a-second-factor-for-everyone")}
      </Toggle>
      <TextField
        label={t("workshop-delete-photos-keep-strips-after-days")}
        inputMode="numeric"
        value={days}
        onChange={setDays}
      />
      <Problem error={set.error} />
      {set.isSuccess && <p role="status">{t("common-saved")}</p>}
      <button className="btn btn-primary" disabled={set.isPending}>
        {t("workshop-save-settings")}
      </button>
    </Panel>
  );
}
