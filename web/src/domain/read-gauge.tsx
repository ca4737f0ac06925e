import { shownAs, toSi } from "./units";
import { useUnits } from "./use-units";
import { t } from "../catalogue";
import { useMutation } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, unwrap, type Schemas } from "../api/client";
import { TextField } from "../ui/field";
import { Problem } from "../ui/states";

type Point = [number, number];
type Reading = Schemas["GaugeReadingRequest"];

/** What is tapped on the photo, in this order. */
const TAPS = [
  ["hub", t("shared-the-hub-that-the-needle-turns")],
  ["tip", t("shared-the-needles-tip")],
  ["zero", t("shared-the-0-of-the-scale")],
  ["full", t("shared-the-end-of-the-scale")],
] as const;

/** Reading a bottle's gauge: the pressure typed, or four taps on a photo that the server makes a pressure of. */
export function ReadGauge({
  bottle,
  done,
}: {
  bottle: number;
  done: (reading: Schemas["GaugeReading"]) => void;
}) {
  const units = useUnits();
  const [bar, setBar] = useState("");
  const [warm, setWarm] = useState("");
  const [photo, setPhoto] = useState<string | null>(null);
  const read = useMutation({
    mutationFn: (body: Reading) =>
      unwrap(
        api.POST("/api/bottles/{bottle_id}/readings", { params: { path: { bottle_id: bottle } }, body }),
      ),
    onSuccess: (reading) => done(reading),
  });
  useEffect(
    () => () => {
      if (photo !== null) URL.revokeObjectURL(photo);
    },
    [photo],
  );
  const temperature = warm === "" ? null : Number(warm.replace(",", "."));
  return (
    <div className="space-y-2 pt-2">
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          read.mutate({ bar: toSi(bar, "pressure", units) ?? NaN, temperature_c: temperature });
        }}
      >
        <div className="w-24">
          <TextField
            label={t("shared-gauge-reading", { unit: shownAs("pressure", units).label })}
            inputMode="decimal"
            value={bar}
            onChange={setBar}
          />
        </div>
        <div className="w-24">
          <TextField label={t("shared-bottle-c")} inputMode="decimal" value={warm} onChange={setWarm} />
        </div>
        <button className="btn btn-primary" disabled={bar === "" || read.isPending}>
          {t("shared-save-reading")}
        </button>
      </form>
      <label className="btn btn-sm">
        {t("shared-or-photograph-the-gauge")}
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) setPhoto(URL.createObjectURL(file));
          }}
        />
      </label>
      {photo !== null && (
        <Taps
          photo={photo}
          pending={read.isPending}
          keep={(dial) => read.mutate({ dial, temperature_c: temperature })}
        />
      )}
      <Problem error={read.error} />
    </div>
  );
}

type TapsProps = { photo: string; pending: boolean; keep: (dial: Schemas["DialRequest"]) => void };

function Taps({ photo, pending, keep }: TapsProps) {
  const units = useUnits();
  const [points, setPoints] = useState<Point[]>([]);
  const [size, setSize] = useState<Point>([1, 1]);
  const [end, setEnd] = useState("");
  const next = TAPS[points.length];
  const [hub, tip, zero, full] = points;
  const mark = Math.max(...size) / 60;
  return (
    <div className="space-y-2">
      <p role="status" className="text-sm">
        {next ? t("shared-tap", { next: next[1] }) : t("shared-all-four-points-set-enter-the")}
      </p>
      <div className="relative max-w-md">
        <img
          src={photo}
          alt={t("shared-the-gauge-as-photographed")}
          className="w-full rounded-box"
          onLoad={(e) => setSize([e.currentTarget.naturalWidth, e.currentTarget.naturalHeight])}
        />
        <svg
          viewBox={`0 0 ${String(size[0])} ${String(size[1])}`}
          className="absolute inset-0 size-full touch-manipulation"
          data-testid="gauge-taps"
          onClick={(e) => {
            if (!next) return;
            const box = e.currentTarget.getBoundingClientRect();
            const x = ((e.clientX - box.left) / box.width) * size[0];
            const y = ((e.clientY - box.top) / box.height) * size[1];
            setPoints([...points, [x, y]]);
          }}
        >
          {hub && tip && (
            <line x1={hub[0]} y1={hub[1]} x2={tip[0]} y2={tip[1]} stroke="#ff7ad9" strokeWidth={mark / 3} />
          )}
          {points.map(([x, y], i) => (
            <circle key={i} cx={x} cy={y} r={mark} fill="none" stroke="#ffd400" strokeWidth={mark / 3} />
          ))}
        </svg>
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <button
          type="button"
          className="btn btn-sm"
          disabled={points.length === 0}
          onClick={() => setPoints(points.slice(0, -1))}
        >
          {t("shared-undo-last-tap")}
        </button>
        {hub && tip && zero && full && (
          <>
            <div className="w-32">
              <TextField
                label={t("shared-end-of-scale", { unit: shownAs("pressure", units).label })}
                inputMode="numeric"
                value={end}
                onChange={setEnd}
              />
            </div>
            <button
              type="button"
              className="btn btn-primary"
              disabled={end === "" || pending}
              onClick={() => keep({ hub, tip, zero, full, full_bar: toSi(end, "pressure", units) ?? NaN })}
            >
              {t("shared-save-reading")}
            </button>
          </>
        )}
      </div>
    </div>
  );
}
