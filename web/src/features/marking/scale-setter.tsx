import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { lineFrom, PhotoLines } from "../../domain/photo-lines";
import { Problem } from "../../ui/states";
import { UnitField } from "../../domain/unit-field";
import { toSi, type Units } from "../../domain/units";
import { useSetScale } from "./queries";

const LINE = "#ffd400";

type Props = { attemptId: number; photo: Schemas["Photo"]; units: Units; close: () => void };

/** The scale of a photo without a card: a line over something of known length, such as a ruler. */
export function ScaleSetter({ attemptId, photo, units, close }: Props) {
  const [lines, setLines] = useState([
    lineFrom(photo, t("marking-known-length"), LINE, [0.3, 0.5], [0.7, 0.5]),
  ]);
  const [typed, setTyped] = useState("");
  const save = useSetScale(attemptId, photo.id);
  const length_mm = toSi(typed, "length", units);
  const good = length_mm !== null && Number.isFinite(length_mm) && length_mm > 0;
  const measure = () => {
    const points_px = (lines[0]?.ends ?? []).flatMap((end) => [...end]);
    if (good) save.mutate({ points_px, length_mm }, { onSuccess: close });
  };
  return (
    <div className="space-y-2">
      <p className="text-sm">{t("marking-drag-both-ends-to-a-known")}</p>
      <PhotoLines
        photo={photo}
        lines={lines}
        change={setLines}
        label={t("marking-photo-with-a-line-of-known")}
      />
      <div className="flex flex-wrap items-end gap-2">
        <div className="w-40">
          <UnitField
            label={t("marking-known-length-2")}
            quantity="length"
            units={units}
            value={typed}
            onChange={setTyped}
          />
        </div>
        <button className="btn btn-primary btn-sm" disabled={!good || save.isPending} onClick={measure}>
          {t("marking-measure-with-this-scale")}
        </button>
        <button className="btn btn-sm" onClick={close}>
          {t("common-cancel")}
        </button>
      </div>
      <Problem error={save.error} />
    </div>
  );
}
