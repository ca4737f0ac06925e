import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { TextField, Toggle } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Empty, Loading, Problem } from "../../ui/states";
import { useSettled } from "../../ui/use-settled";
import { useCutList, type CutAsked } from "./queries";

type Group = Schemas["CutList"];
type Sheet = Group["sheets"][number];

const TYPING_MS = 400;

/** Blanks of the coming sessions on the sheets and bars there are, with the cuts in their order. */
export function CutList() {
  const { id } = useCourse();
  const [sessions, setSessions] = useState("4");
  const [kerf, setKerf] = useState("1.5");
  const [turns, setTurns] = useState(true);
  const asked = useSettled<CutAsked>(
    { sessions: Number(sessions), kerf_mm: Number(kerf.replace(",", ".")), turns },
    TYPING_MS,
  );
  const cut = useCutList(asked);
  const query = `?sessions=${String(asked.sessions)}&kerf_mm=${String(asked.kerf_mm)}&turns=${String(asked.turns)}`;
  const at = `/api/courses/${String(id)}/cut-list`;
  return (
    <div className="space-y-3">
      <Panel tight className="flex flex-wrap items-end gap-4 print:hidden">
        <TextField
          label={t("stock-sessions-to-cut-for")}
          inputMode="numeric"
          value={sessions}
          onChange={setSessions}
        />
        <TextField label={t("stock-kerf-mm")} inputMode="decimal" value={kerf} onChange={setKerf} />
        <Toggle checked={turns} onChange={setTurns}>
          {t("stock-allow-rotating-blanks")}
        </Toggle>
        <span className="flex gap-2">
          <a className="btn btn-sm" href={`${at}.svg${query}`}>
            {t("common-svg")}
          </a>
          <a className="btn btn-sm" href={`${at}.dxf${query}`}>
            {t("stock-dxf")}
          </a>
          <button className="btn btn-sm" onClick={() => window.print()}>
            {t("common-print")}
          </button>
        </span>
      </Panel>
      {cut.isPending && <Loading />}
      <Problem error={cut.error} />
      {cut.data?.length === 0 && <Empty>{t("stock-no-blanks-to-cut-stock-covers")}</Empty>}
      {cut.data?.map((group) => (
        <OneMetal key={group.what} group={group} />
      ))}
      <p className="quiet text-sm">{t("stock-cut-straight-from-edge-to-edge")}</p>
    </div>
  );
}

function OneMetal({ group }: { group: Group }) {
  const short = Object.entries(group.short);
  return (
    <Panel tight aria-label={group.what} className="space-y-2">
      <h2 className="font-bold">{group.what}</h2>
      <p>
        {Object.entries(group.wanted)
          .map(([name, count]) => `${String(count)} × ${name}`)
          .join(", ")}
      </p>
      {short.length > 0 && (
        <p className="rounded-box bg-warning p-2 text-warning-content">
          {t("stock-no-sheet-or-bar-left-for", {
            short: short.map(([name, count]) => `${String(count)} × ${name}`).join(", "),
          })}
        </p>
      )}
      {group.sheets.map((sheet, i) => (
        <Drawn key={i} sheet={sheet} />
      ))}
    </Panel>
  );
}

function Drawn({ sheet }: { sheet: Sheet }) {
  const used = (100 * sheet.used_share).toFixed(0);
  const counts = t("stock-blanks-cuts", { count: sheet.laid.length, cuts: sheet.cuts.length });
  const words = t("stock-used", { stock: sheet.stock, counts, used });
  const text = Math.max(9, Math.min(sheet.length_mm, sheet.width_mm * 3) / 45);
  const flip = (y: number) => sheet.width_mm - y;
  return (
    <figure>
      <figcaption className="text-sm font-medium">{words}</figcaption>
      <svg
        viewBox={`-4 -4 ${String(sheet.length_mm + 8)} ${String(sheet.width_mm + 8)}`}
        className="max-h-[30rem] w-full max-w-4xl"
        role="img"
        aria-label={words}
      >
        <rect
          width={sheet.length_mm}
          height={sheet.width_mm}
          className="fill-base-200 stroke-base-content"
          strokeWidth={2}
        />
        {sheet.laid.map((one) => (
          <g key={`${String(one.x_mm)} ${String(one.y_mm)}`}>
            <rect
              x={one.x_mm}
              y={flip(one.y_mm + one.width_mm)}
              width={one.length_mm}
              height={one.width_mm}
              className="fill-base-100 stroke-base-content/60"
            />
            <text
              x={one.x_mm + one.length_mm / 2}
              y={flip(one.y_mm + one.width_mm / 2) + text / 3}
              textAnchor="middle"
              fontSize={Math.min(text, one.length_mm / 6)}
              className="fill-base-content"
            >
              {one.length_mm.toFixed(0)} × {one.width_mm.toFixed(0)}
            </text>
          </g>
        ))}
        {sheet.cuts.map((cut, i) => {
          const ends = cut.across
            ? { x1: cut.at_mm, x2: cut.at_mm, y1: flip(cut.start_mm), y2: flip(cut.end_mm) }
            : { x1: cut.start_mm, x2: cut.end_mm, y1: flip(cut.at_mm), y2: flip(cut.at_mm) };
          return (
            <g key={i}>
              <line {...ends} className="stroke-secondary" strokeWidth={1.5} strokeDasharray="6 3" />
              <text
                x={ends.x2 - text}
                y={ends.y2 + (cut.across ? text : -2)}
                fontSize={text * 0.8}
                className="fill-secondary"
              >
                {i + 1}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
