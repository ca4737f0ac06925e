import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { dateWords, tintLevels, tintWords } from "../../domain/words";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { useTintReferences } from "./queries";
import { TakePhoto } from "./take-photo";

type Reference = Schemas["TintReference"];
type Place = Schemas["NamedPlace"];

const MARK_PX = 12;
const STEP_PX = 8;
const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-STEP_PX, 0],
  ArrowRight: [STEP_PX, 0],
  ArrowUp: [0, -STEP_PX],
  ArrowDown: [0, STEP_PX],
};
const within = (px: number, most: number) => Math.min(most - 1, Math.max(0, px));

/**
 * Strips of the course's own metal, tinted in steps: places are named by their level, and the
 * scale's match is told.
 */
export function TintReferences() {
  const { read, add, name, drop } = useTintReferences();
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  return (
    <Panel className="space-y-3" aria-label={t("tint-strip-title")}>
      <h2 className="text-lg font-bold">{t("tint-strip-title")}</h2>
      <p>{t("tint-strip-how")}</p>
      <TakePhoto
        words={add.isPending ? t("measuring-busy") : t("tint-strip-take")}
        closed={add.isPending}
        className=""
      >
        {(photo) => add.mutate(photo)}
      </TakePhoto>
      <Problem error={add.error ?? name.error ?? drop.error} />
      {read.data.references.map((one) => (
        <Strip
          key={`${String(one.id)} ${JSON.stringify(one.patches)}`}
          strip={one}
          busy={name.isPending || drop.isPending}
          save={(patches) => name.mutate({ id: one.id, patches })}
          remove={() => drop.mutate(one.id)}
        />
      ))}
    </Panel>
  );
}

type StripProps = {
  strip: Reference;
  busy: boolean;
  save: (patches: Place[]) => void;
  remove: () => void;
};

function Strip({ strip, busy, save, remove }: StripProps) {
  const kept = strip.patches.map(({ x_px, y_px, level }) => ({ x_px, y_px, level }));
  const [places, set] = useState<Place[]>(kept);
  const [sure, setSure] = useState(false);
  const change = (k: number, part: Partial<Place>) =>
    set(places.map((place, i) => (i === k ? { ...place, ...part } : place)));
  const add = (x_px: number, y_px: number) =>
    set([
      ...places,
      {
        x_px: Math.round(x_px),
        y_px: Math.round(y_px),
        level: Math.min(places.length, tintLevels.length - 1),
      },
    ]);
  return (
    <section
      className="space-y-2 rounded-box border-2 border-base-300 p-3"
      aria-label={t("tint-strip-of", { date: dateWords(strip.at) })}
    >
      <h3 className="font-bold">{t("tint-strip-of", { date: dateWords(strip.at) })}</h3>
      {strip.said.map((line) => (
        <p key={line}>{line}</p>
      ))}
      <svg
        viewBox={`0 0 ${String(strip.width_px)} ${String(strip.height_px)}`}
        className="block w-full cursor-crosshair rounded-box bg-base-300"
        role="group"
        aria-label={t("tint-strip-picture")}
        onClick={(e) => {
          const area = e.currentTarget.getBoundingClientRect();
          add(
            ((e.clientX - area.left) / area.width) * strip.width_px,
            ((e.clientY - area.top) / area.height) * strip.height_px,
          );
        }}
      >
        <image href={strip.picture} width={strip.width_px} height={strip.height_px} />
        {places.map((place, k) => (
          <g key={k}>
            <circle
              cx={place.x_px}
              cy={place.y_px}
              r={MARK_PX}
              fill="#ffffff"
              fillOpacity={0.01}
              stroke="#ffffff"
              strokeWidth={3}
              tabIndex={0}
              role="slider"
              aria-label={t("tint-strip-place", { number: k + 1 })}
              aria-valuenow={place.x_px}
              aria-valuetext={t("shared-right-and-down", { right: place.x_px, down: place.y_px })}
              className="focus:outline-3 focus:outline-secondary"
              onClick={(e) => e.stopPropagation()}
              onKeyDown={(e) => {
                const by = ARROWS[e.key];
                if (!by) return;
                e.preventDefault();
                change(k, {
                  x_px: within(place.x_px + by[0], strip.width_px),
                  y_px: within(place.y_px + by[1], strip.height_px),
                });
              }}
            />
            <circle cx={place.x_px} cy={place.y_px} r={MARK_PX + 2} fill="none" stroke="#000000" />
            <text
              x={place.x_px + MARK_PX + 4}
              y={place.y_px + 5}
              fontSize={18}
              fill="#000000"
              stroke="#ffffff"
              paintOrder="stroke"
              strokeWidth={4}
            >
              {k + 1}
            </text>
          </g>
        ))}
      </svg>
      <ol className="flex flex-wrap gap-3">
        {places.map((place, k) => (
          <li key={k} className="flex items-end gap-1">
            <label className="block text-sm">
              <span className="block">{t("tint-strip-place", { number: k + 1 })}</span>
              <select
                className="select w-36 select-sm"
                value={place.level}
                onChange={(e) => change(k, { level: Number(e.target.value) })}
              >
                {tintLevels.map((_, level) => (
                  <option key={level} value={level}>
                    {tintWords(level)}
                  </option>
                ))}
              </select>
            </label>
            <button
              className="btn btn-sm"
              aria-label={t("tint-strip-remove-place", { number: k + 1 })}
              onClick={() => set(places.filter((_, i) => i !== k))}
            >
              ×
            </button>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-2">
        <button className="btn" onClick={() => add(strip.width_px / 2, strip.height_px / 2)}>
          {t("tint-strip-add-place")}
        </button>
        <button
          className="btn btn-primary"
          disabled={busy || JSON.stringify(places) === JSON.stringify(kept)}
          onClick={() => save(places)}
        >
          {t("tint-strip-save")}
        </button>
        <button className="btn" disabled={busy} onClick={() => (sure ? remove() : setSure(true))}>
          {sure ? t("tint-strip-really-delete") : t("tint-strip-delete")}
        </button>
      </div>
    </section>
  );
}
