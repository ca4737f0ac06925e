import { Say, t } from "../../catalogue";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { TextField } from "../../ui/field";
import { Loading, Problem } from "../../ui/states";
import { callsOf, type Call, type Description } from "./described";
import { apiGuideKeys } from "../../domain/keys";

/** What programs may ask of this server, read from its own description. */
export function ApiGuidePage() {
  const [wanted, setWanted] = useState("");
  const read = useQuery({
    queryKey: apiGuideKeys.description,
    queryFn: async () => {
      const answer = await fetch("/api/schema?format=json");
      if (!answer.ok) throw new Error(t("api-guide-the-description-of-the-api-cannot"));
      return callsOf((await answer.json()) as Description);
    },
    staleTime: Infinity,
  });
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  const fits = (call: Call) => `${call.method} ${call.path} ${call.about}`.toLowerCase().includes(wanted);
  return (
    <div className="mx-auto max-w-4xl space-y-4">
      <h1 className="text-2xl font-bold">{t("api-guide-api-guide")}</h1>
      <p>
        <Say
          id="api-guide-send-authorization-bearer-and-a-token"
          elems={{
            code: <code />,
            code2: <code />,
            code3: <code />,
            a: <a className="link" href="/api/schema" />,
          }}
        />
      </p>
      <TextField
        label={t("api-guide-search-calls")}
        value={wanted}
        onChange={(typed) => setWanted(typed.toLowerCase())}
      />
      <nav aria-label={t("api-guide-contents")} className="flex flex-wrap gap-x-4 gap-y-1">
        {[...read.data].map(([group, calls]) => (
          <a key={group} className="link" href={`#${group}`}>
            {t("api-guide-group", { group: nameOf(group), calls: calls.filter(fits).length })}
          </a>
        ))}
      </nav>
      {[...read.data].map(([group, calls]) => (
        <Group key={group} name={group} calls={calls.filter(fits)} open={wanted !== ""} />
      ))}
    </div>
  );
}

const nameOf = (group: string) => group.replaceAll("-", " ");

/** The calls about one thing, folded until somebody looks for one. */
function Group({ name, calls, open }: { name: string; calls: Call[]; open: boolean }) {
  if (calls.length === 0) return null;
  return (
    <details id={name} className="space-y-1" aria-label={nameOf(name)} open={open}>
      <summary className="cursor-pointer text-lg font-bold">{nameOf(name)}</summary>
      {calls.map((call) => (
        <details
          key={`${call.method} ${call.path}`}
          className="rounded-box border border-base-300 bg-base-100 px-3 py-2"
        >
          <summary className="cursor-pointer">
            <strong className="inline-block w-16">{call.method}</strong>
            <code className="break-all">{call.path}</code>
            <span className="block pl-16 text-sm">{call.about}</span>
          </summary>
          <Fields title={t("api-guide-in-the-address")} fields={call.asks} />
          <Fields title={t("api-guide-sent")} fields={call.sends} />
          <Fields title={t("api-guide-answered")} fields={call.gives} />
        </details>
      ))}
    </details>
  );
}

function Fields({ title, fields }: { title: string; fields: string[] }) {
  if (fields.length === 0) return null;
  return (
    <div className="mt-2 pl-16 text-sm">
      <h3 className="font-medium">{title}</h3>
      <ul className="columns-2">
        {fields.map((field) => (
          <li key={field}>
            <code className="break-all">{field}</code>
          </li>
        ))}
      </ul>
    </div>
  );
}
