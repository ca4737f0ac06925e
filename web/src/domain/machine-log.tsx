import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { t } from "../catalogue";
import { Cable, FileUp } from "lucide-react";
import { api, csrfToken, problemOf, Refused, unwrap, type Schemas } from "../api/client";
import { FigureList } from "../ui/figure-list";
import { Problem } from "../ui/states";
import { attemptKeys, recordKeys } from "./keys";
import { fields, quantityIn } from "./run-fields";
import { measure, type Units } from "./units";
import { may, useAttemptChange, type Attempt } from "./use-attempt";
import { useSetup } from "./use-setup";
import { useUnits } from "./use-units";
import { fieldWords } from "./words";

type Run = Attempt["runs"][number];
const [WIDE, TALL] = [300, 60];

/** What the machine did in a run, beside what was typed; a log of it can be added. */
export function MachineLog({ attempt, run }: { attempt: Attempt; run: Run }) {
  const units = useUnits();
  const send = useSendLog(attempt, run.number);
  const found = run.machine;
  if (!found && !may(attempt, "log")) return null;
  return (
    <section aria-label={t("shared-data-log")} className="mt-2 space-y-2">
      {found && (
        <>
          <h3 className="font-bold">{t("shared-data-log")}</h3>
          <FigureList rows={rowsOf(run, found, attempt.measurement?.length_mm ?? null, units)} />
          <Trace attempt={attempt.id} run={run.number} units={units} most={found.current_a} />
          {found.missing_s > 0 && <p>{t("shared-log-missing", { missing: found.missing_s.toFixed(1) })}</p>}
        </>
      )}
      {may(attempt, "log") && (
        <label className="btn focus-within:outline-3 focus-within:outline-secondary">
          <FileUp size={18} aria-hidden /> {t(found ? "shared-data-log-replace" : "shared-data-log-send")}
          <input
            type="file"
            accept=".csv,.txt,.tsv,text/csv"
            className="sr-only"
            disabled={send.isPending}
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) send.mutate(file);
              e.target.value = "";
            }}
          />
        </label>
      )}
      {may(attempt, "log") && <Loggers attempt={attempt} run={run.number} />}
      <Problem error={send.error} />
    </section>
  );
}

/** Reads the last weld of a wired logger; nothing where none is wired. */
function Loggers({ attempt, run }: { attempt: Attempt; run: number }) {
  const names = useSetup(attempt.id, attempt.version).data?.loggers ?? [];
  const queries = useQueryClient();
  const read = useAttemptChange(attempt.id, (logger: string) =>
    unwrap(
      api.POST("/api/attempts/{attempt_id}/runs/{number}/data-log/last-weld", {
        params: { path: { attempt_id: attempt.id, number: run } },
        body: { logger },
      }),
    ),
  );
  const again = () => void queries.invalidateQueries({ queryKey: attemptKeys.dataLog(attempt.id, run) });
  return (
    <>
      {names.map((name) => (
        <button
          key={name}
          className="btn"
          disabled={read.isPending}
          onClick={() => read.mutate(name, { onSuccess: again })}
        >
          <Cable size={18} aria-hidden /> {t("shared-read-logger", { name })}
        </button>
      ))}
      <Problem error={read.error} />
    </>
  );
}

function rowsOf(
  run: Run,
  found: Schemas["MachineFigures"],
  length: number | null,
  units: Units,
): [string, string][] {
  const typed = run as unknown as Record<string, number | null>;
  const measured: Record<string, unknown> = { ...found, ...found.pulse };
  const known = fields.flatMap((field): [string, string][] => {
    const value = measured[field.key];
    if (typeof value !== "number") return [];
    const kind = quantityIn(field)?.kind ?? "plain";
    const before = typed[field.key] ?? null;
    const beside = before === null ? "" : ` (${t("shared-typed", { value: measure(before, kind, units) })})`;
    return [[fieldWords(field.key), `${measure(value, kind, units)}${beside}`]];
  });
  const kj = found.energy_kj;
  return [
    ...known,
    [t("shared-current-spread"), measure(found.spread_a, "current", units)],
    [
      t("shared-pumping"),
      found.pumping
        ? t("shared-pumping-figures", {
            hertz: found.pumping.per_second.toFixed(1),
            depth: (100 * found.pumping.depth).toFixed(0),
          })
        : t("shared-no-pumping"),
    ],
    ...(found.voltage_v === null
      ? []
      : [
          [t("shared-voltage"), t("shared-volts", { volts: found.voltage_v.toFixed(1) })] as [string, string],
        ]),
    ...(kj === null
      ? []
      : [
          [
            t("shared-energy"),
            length
              ? t("shared-energy-kj", { kj: kj.toFixed(1), per_mm: (kj / length).toFixed(2) })
              : t("shared-energy-only", { kj: kj.toFixed(1) }),
          ] as [string, string],
        ]),
    ...(found.arcs > 1 ? [[t("shared-arcs"), String(found.arcs)] as [string, string]] : []),
  ];
}

type TraceProps = { attempt: number; run: number; units: Units; most: number };

/** The current along the bead: the weld's time laid over its length by its dabs, or as if the travel had been even. */
function Trace({ attempt, run, units, most }: TraceProps) {
  const read = useQuery({
    queryKey: attemptKeys.dataLog(attempt, run),
    queryFn: () =>
      unwrap(
        api.GET("/api/attempts/{attempt_id}/runs/{number}/data-log", {
          params: { path: { attempt_id: attempt, number: run } },
        }),
      ),
  });
  if (!read.data) return null;
  const { share, current_a: amps } = read.data;
  const top = Math.max(...amps, 1.2 * most);
  const points = share.map(
    (at, k) => `${(at * WIDE).toFixed(1)},${(TALL * (1 - (amps[k] ?? 0) / top)).toFixed(1)}`,
  );
  return (
    <figure>
      <svg
        viewBox={`0 0 ${String(WIDE)} ${String(TALL)}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={t("shared-current-along")}
        className="h-16 w-full rounded-field bg-base-200"
      >
        <polyline
          points={points.join(" ")}
          className="fill-none stroke-primary"
          strokeWidth={1.5}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <figcaption className="quiet flex justify-between text-sm">
        <span>
          {t("shared-current-along")} ·{" "}
          {read.data.by_dabs ? t("shared-placed-by-dabs") : t("shared-placed-by-even-travel")}
        </span>
        <span>0–{measure(top, "current", units)}</span>
      </figcaption>
    </figure>
  );
}

/** Sends a log as it is; the browser streams the file. */
function useSendLog(attempt: Attempt, run: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (file: File) => {
      const place = `/api/attempts/${String(attempt.id)}/runs/${String(run)}/data-log`;
      const answer = await fetch(`${place}?name=${encodeURIComponent(file.name)}`, {
        method: "PUT",
        body: file,
        headers: { "Content-Type": "text/csv", "X-CSRFToken": csrfToken() },
      });
      const body: unknown = await answer.json().catch(() => null);
      if (!answer.ok) throw new Refused(problemOf(body, answer.status));
      return body as Attempt;
    },
    onSuccess: (after) => {
      queries.setQueryData(attemptKeys.one(after.id), after);
      void queries.invalidateQueries({ queryKey: attemptKeys.dataLog(after.id, run) });
      void queries.invalidateQueries({ queryKey: recordKeys.all });
    },
  });
}
