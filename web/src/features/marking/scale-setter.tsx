import { useState } from "react";
import { api, unwrap, type Schemas } from "../../api/client";
import { lineFrom, PhotoLines } from "../../ui/photo-lines";
import { Problem } from "../../ui/states";
import { UnitField } from "../../ui/unit-field";
import { toSi, type Units } from "../../ui/units";
import { useAttemptChange } from "../../ui/use-attempt";

/** The scale of a photo without a card: a line over something of known length, such as a ruler or the coupon's edge. */
export function ScaleSetter({
  attemptId,
  photo,
  units,
  close,
}: {
  attemptId: number;
  photo: Schemas["Photo"];
  units: Units;
  close: () => void;
}) {
  const [lines, setLines] = useState([lineFrom(photo, "known length", "#ffd400", [0.3, 0.5], [0.7, 0.5])]);
  const [typed, setTyped] = useState("");
  const length = toSi(typed, "length", units);
  const save = useAttemptChange(attemptId, (length_mm: number) => {
    const [a, b] = lines[0]?.ends ?? [
      [0, 0],
      [0, 0],
    ];
    return unwrap(
      api.POST("/api/photos/{photo_id}/scale", {
        params: { path: { photo_id: photo.id } },
        body: { points_px: [a[0], a[1], b[0], b[1]], length_mm },
      }),
    );
  });
  const good = length !== null && Number.isFinite(length) && length > 0;
  return (
    <div className="space-y-2">
      <p className="text-sm">
        Drag the two ends onto something whose length you know. The photo must have been taken straight from
        above.
      </p>
      <PhotoLines photo={photo} lines={lines} change={setLines} label="Photo with a line of known length" />
      <div className="flex flex-wrap items-end gap-2">
        <div className="w-40">
          <UnitField label="Its length" quantity="length" units={units} value={typed} onChange={setTyped} />
        </div>
        <button
          className="btn btn-primary btn-sm"
          disabled={!good || save.isPending}
          onClick={() => {
            if (good) save.mutate(length, { onSuccess: close });
          }}
        >
          Measure with this scale
        </button>
        <button className="btn btn-sm" onClick={close}>
          Leave it
        </button>
      </div>
      <Problem error={save.error} />
    </div>
  );
}
