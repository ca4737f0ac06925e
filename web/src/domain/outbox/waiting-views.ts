import { useEffect, useRef, useState } from "react";
import type { Drawable } from "../photo-lines";
import { useStored } from "../../ui/store";
import { isOf, type Entry } from "./changes";
import { box } from "./outbox";

/** A photo of the torch that this phone has not sent yet, with the angles drawn on it that wait to be computed. */
export type WaitingView = Drawable & { id: string; angles: number };

/**
 * Photos of the torch that wait to be sent: lines can be drawn on them at once. One that the browser
 * cannot show waits unseen.
 */
export function useWaitingViews(attempt: number): WaitingView[] {
  const { entries, opened } = useStored(box);
  const [shown, setShown] = useState<Record<string, Drawable>>({});
  const asked = useRef(new Set<string>());
  const urls = useRef<string[]>([]);
  const mine = entries.filter((e) => isOf(e, attempt, opened) && e.refused === null);
  const views = mine.filter(
    (e): e is Extract<Entry, { what: "photo" }> => e.what === "photo" && e.kind === "torch",
  );
  const ids = views.map((v) => v.id).join();
  useEffect(() => {
    for (const view of views) {
      if (asked.current.has(view.id)) continue;
      asked.current.add(view.id);
      createImageBitmap(view.file).then(
        (picture) => {
          const url = URL.createObjectURL(view.file);
          urls.current.push(url);
          const drawable = { url, width_px: picture.width, height_px: picture.height };
          setShown((before) => ({ ...before, [view.id]: drawable }));
          picture.close();
        },
        () => undefined,
      );
    }
    // What waits is told by its ids; the files behind them never change.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [ids]);
  useEffect(() => () => urls.current.forEach((url) => URL.revokeObjectURL(url)), []);
  return views.flatMap((view) => {
    const drawable = shown[view.id];
    const angles = mine.filter((e) => e.what === "angle" && e.photo === view.id).length;
    return drawable ? [{ ...drawable, id: view.id, angles }] : [];
  });
}
