import { Say, named, t } from "../../catalogue";
import { useState } from "react";
import { Link } from "react-router";
import { TextField, Toggle } from "../../ui/field";
import { HandOver } from "../../domain/hand-over";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { useWorkshopPeople, type Change, type WorkshopPerson } from "./queries";

/** Everybody of the workshop: who owns it, who may sign in, whose password or phone is lost. */
export function WorkshopPeoplePage() {
  const change = useWorkshopPeople();
  const { read, make, set, reset, dropSecond, remove } = change;
  const link = reset.data ?? make.data;
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section className="space-y-3">
        <div className="flex flex-wrap items-baseline gap-x-5">
          <h1 className="text-2xl font-bold">{t("workshop-workshop-people")}</h1>
          <Link className="link" to="/workshop">
            {t("workshop-courses-and-rules")}
          </Link>
        </div>
        <Problem error={set.error ?? reset.error ?? dropSecond.error ?? remove.error} />
        {link && <HandOver link={link} />}
        <ul className="divide-y divide-base-300 rounded-box border border-base-300 bg-base-100">
          {read.data.map((one) => (
            <Row key={one.id} one={one} change={change} />
          ))}
        </ul>
      </section>
      <NewPerson make={make} />
    </div>
  );
}

function Row({ one, change }: { one: WorkshopPerson; change: Change }) {
  const name = one.display_name;
  const set = (given: Partial<WorkshopPerson>) =>
    change.set.mutate({ id: one.id, owns: one.owns, is_active: one.is_active, ...given });
  return (
    <li className="flex min-h-12 flex-wrap items-center gap-x-4 gap-y-1 px-3 py-1.5">
      <span className="grow">
        <strong>{name}</strong> <span className="quiet">{one.username}</span>
        <span className="block text-sm">
          {one.courses.map((c) => `${c.course} (${named("role", c.role)})`).join(", ") ||
            t("workshop-in-no-course")}
        </span>
      </span>
      <Toggle checked={one.owns} onChange={(owns) => set({ owns })}>
        <span>
          <Say id="workshop-owner" vars={{ name }} elems={{ span: <span className="sr-only" /> }} />
        </span>
      </Toggle>
      <Toggle checked={one.is_active} onChange={(is_active) => set({ is_active })}>
        <span>
          <Say id="workshop-may-sign-in" vars={{ name }} elems={{ span: <span className="sr-only" /> }} />
        </span>
      </Toggle>
      <button
        className="btn btn-sm"
        aria-label={t("common-new-password-for", { name })}
        onClick={() => change.reset.mutate(one.id)}
      >
        {t("common-new-password")}
      </button>
      {one.second_factor && (
        <button
          className="btn btn-sm"
          aria-label={t("workshop-lost-the-phone", { name })}
          onClick={() => change.dropSecond.mutate(one.id)}
        >
          {t("workshop-remove-second-factor")}
        </button>
      )}
      <Remove name={name} remove={() => change.remove.mutate(one.id)} />
    </li>
  );
}

/** For good: asked twice. */
function Remove({ name, remove }: { name: string; remove: () => void }) {
  const [sure, setSure] = useState(false);
  if (!sure)
    return (
      <button
        className="btn btn-ghost btn-sm"
        aria-label={t("common-remove-named", { name })}
        onClick={() => setSure(true)}
      >
        {t("common-remove")}
      </button>
    );
  return (
    <span role="alert" className="basis-full rounded-box border border-error p-2 text-sm">
      {t("workshop-name-photos-and-notes-of-are", { name })}{" "}
      <button className="btn btn-error btn-sm" onClick={remove}>
        {t("common-remove-named", { name })}
      </button>{" "}
      <button className="btn btn-sm" onClick={() => setSure(false)}>
        {t("common-cancel")}
      </button>
    </span>
  );
}

function NewPerson({ make }: { make: Change["make"] }) {
  const [display_name, setName] = useState("");
  const [username, setLogin] = useState("");
  return (
    <Panel
      as="form"
      tight
      className="space-y-2"
      aria-label={t("workshop-add-person")}
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        make.mutate({ display_name, username });
      }}
    >
      <h2 className="font-bold">{t("workshop-add-person")}</h2>
      <TextField label={t("common-name")} value={display_name} onChange={setName} />
      <TextField label={t("common-login-name")} value={username} onChange={setLogin} />
      <Problem error={make.error} />
      <button className="btn btn-primary btn-sm" disabled={display_name === "" || username === ""}>
        {t("workshop-create-account")}
      </button>
    </Panel>
  );
}
