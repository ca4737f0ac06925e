import { named, t } from "../../catalogue";
import { useState } from "react";
import { Link } from "react-router";
import { vocabulary } from "../../api/generated-vocabulary";
import { useCourse, usePaths } from "../../domain/course";
import { TextField, Toggle } from "../../ui/field";
import { HandOver } from "../../domain/hand-over";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { useMakeCourse } from "../../domain/use-make-course";
import { useSession } from "../../domain/use-session";
import { dateWords } from "../../domain/words";
import { useArchive, useJoinCode, usePeople, type Change, type Member } from "./queries";

/** Who takes part in the course; its instructor gives roles, lets go, renews the code and makes further courses. */
export function PeoplePage() {
  const change = usePeople();
  const paths = usePaths();
  const instructor = useCourse().role === "instructor";
  const { read } = change;
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  return (
    <div className="grid gap-3 xl:grid-cols-[minmax(0,1fr)_22rem]">
      <section className="space-y-2">
        <div className="flex flex-wrap items-baseline gap-x-5">
          <h1 className="text-2xl font-bold">{t("common-people")}</h1>
          <Link className="link" to={paths.to("records")}>
            {t("people-import-or-export-people")}
          </Link>
        </div>
        <Problem error={errorOf(change)} />
        {change.reset.data && <HandOver link={change.reset.data} />}
        <ul className="divide-y divide-base-300 rounded-box border border-base-300 bg-base-100">
          {read.data.map((member) => (
            <li key={member.id} className="flex min-h-12 flex-wrap items-center gap-x-4 px-3 py-1">
              <span className="grow font-medium">{member.user.display_name}</span>
              {instructor ? (
                <Row member={member} change={change} />
              ) : (
                <span>{named("role", member.role)}</span>
              )}
            </li>
          ))}
        </ul>
      </section>
      {instructor && (
        <aside className="space-y-3">
          <JoinCode />
          <NewCourse />
          <Archive />
        </aside>
      )}
    </div>
  );
}

const errorOf = ({ setRole, letGo, reset, move }: Change) =>
  setRole.error ?? letGo.error ?? reset.error ?? move.error;

function Row({ member, change }: { member: Member; change: Change }) {
  const [sure, setSure] = useState(false);
  const name = member.user.display_name;
  return (
    <>
      <select
        className="select w-auto select-sm"
        aria-label={t("people-role-of", { name })}
        value={member.role}
        onChange={(e) => change.setRole.mutate({ member: member.id, role: e.target.value })}
      >
        {vocabulary.roles.map((role) => (
          <option key={role} value={role}>
            {t(`role-${role}`)}
          </option>
        ))}
      </select>
      <button
        className="btn btn-sm"
        aria-label={t("common-new-password-for", { name })}
        onClick={() => change.reset.mutate(member.id)}
      >
        {t("common-new-password")}
      </button>
      {member.role === "student" && <MoveTo member={member} move={change.move} />}
      {sure ? (
        <button className="btn btn-error btn-sm" onClick={() => change.letGo.mutate(member.id)}>
          {t("common-remove-named", { name })}
        </button>
      ) : (
        <button
          className="btn btn-ghost btn-sm"
          aria-label={t("people-remove-from-course", { name })}
          onClick={() => setSure(true)}
        >
          {t("common-remove")}
        </button>
      )}
    </>
  );
}

/** The other courses of one's own that still run. */
function MoveTo({ member, move }: { member: Member; move: Change["move"] }) {
  const { id } = useCourse();
  const session = useSession();
  const others = (session.data?.courses ?? []).filter(
    (one) => one.id !== id && one.role === "instructor" && !one.archived,
  );
  if (others.length === 0) return null;
  return (
    <select
      className="select w-auto select-sm"
      aria-label={t("people-move-to-another-course", { name: member.user.display_name })}
      value=""
      onChange={(e) => move.mutate({ member: member.id, to: Number(e.target.value) })}
    >
      <option value="">{t("people-move-to")}</option>
      {others.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name}
        </option>
      ))}
    </select>
  );
}

/** Ending the course: everything stays to be read and reported. */
function Archive() {
  const { id, name } = useCourse();
  const session = useSession();
  const archive = useArchive();
  const [sure, setSure] = useState(false);
  const archived = session.data?.courses.find((one) => one.id === id)?.archived ?? false;
  return (
    <Panel tight className="space-y-2" aria-label={t("common-archive")}>
      <h2 className="font-bold">{t("common-archive")}</h2>
      <p className="text-sm">
        {archived ? t("people-is-archived", { name }) : t("people-archiving-keeps-the-course-for-reading")}
      </p>
      <Problem error={archive.error} />
      {archived ? (
        <button className="btn btn-sm" onClick={() => archive.mutate(false)}>
          {t("people-reopen-course")}
        </button>
      ) : sure ? (
        <button className="btn btn-sm btn-warning" onClick={() => archive.mutate(true)}>
          {t("people-archive-course")}
        </button>
      ) : (
        <button className="btn btn-sm" onClick={() => setSure(true)}>
          {t("people-archive-this-course")}
        </button>
      )}
    </Panel>
  );
}

function JoinCode() {
  const { read, set } = useJoinCode();
  const [left, setLeft] = useState("");
  const [until, setUntil] = useState("");
  if (!read.data) return <Problem error={read.error} />;
  const { code, left: open, until: end, address, picture } = read.data;
  const keep = (renew: boolean, most: number | null) =>
    set.mutate({ renew, left: most, until: until === "" ? null : new Date(until).toISOString() });
  return (
    <Panel tight className="space-y-2" aria-label={t("people-join-code")}>
      <h2 className="font-bold">{t("people-join-code")}</h2>
      <p>
        <strong className="text-xl tracking-wide">{code}</strong>{" "}
        {open === 0
          ? t("common-closed")
          : open === null
            ? t("people-open-to-anyone-with-the-code")
            : t("people-open-to-more", { open })}
        {end && `, ${t("people-until", { date: dateWords(end) })}`}
      </p>
      <div className="flex items-center gap-3">
        <img src={picture} alt={t("people-qr-code-of-the-join-address")} className="size-24 bg-white p-1" />
        <a className="link text-sm break-all" href={address}>
          {address}
        </a>
      </div>
      <TextField
        label={t("people-places-left-empty-no-limit")}
        inputMode="numeric"
        value={left}
        onChange={setLeft}
      />
      <TextField
        label={t("people-open-until-empty-no-end")}
        type="datetime-local"
        value={until}
        onChange={setUntil}
      />
      <Problem error={set.error} />
      <div className="flex flex-wrap gap-1">
        <button className="btn btn-sm" onClick={() => keep(false, left === "" ? null : Number(left))}>
          {t("people-save-limits")}
        </button>
        <button className="btn btn-sm" onClick={() => keep(true, left === "" ? null : Number(left))}>
          {t("people-create-new-code")}
        </button>
        <button className="btn btn-sm" onClick={() => keep(false, 0)}>
          {t("people-close-joining")}
        </button>
      </div>
    </Panel>
  );
}

function NewCourse() {
  const { id, name: here } = useCourse();
  const [name, setName] = useState("");
  const [copy, setCopy] = useState(true);
  const make = useMakeCourse();
  return (
    <Panel
      as="form"
      tight
      className="space-y-2"
      aria-label={t("people-new-course")}
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        make.mutate({ name, like: copy ? id : null });
      }}
    >
      <h2 className="font-bold">{t("people-new-course")}</h2>
      <TextField label={t("people-course-name")} value={name} onChange={setName} />
      <Toggle checked={copy} onChange={setCopy}>
        {t("people-like-copies-its-coupons-schemes-methods", { here })}
      </Toggle>
      <Problem error={make.error} />
      <button className="btn btn-primary btn-sm" disabled={name === "" || make.isPending}>
        {t("common-create-course")}
      </button>
    </Panel>
  );
}
