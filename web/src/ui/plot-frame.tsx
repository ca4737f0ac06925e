import { Say, t } from "../catalogue";
import { useEffect, useRef, type ReactNode } from "react";
import { csvOf, pngOf, save, svgOf } from "./export-plot";
import { makeStore, useStored } from "./store";

const tables = makeStore(false);

type Props = {
  title: string;
  /** The plot in one sentence, for those who do not see it. */
  words: string;
  /** Heading row first. */
  rows: readonly (readonly string[])[];
  children: ReactNode;
};

/** A plot with its caption, read as one picture; its table and its files stand under it while tables are asked for. */
export function PlotFrame({ title, words, rows, children }: Props) {
  const open = useStored(tables);
  const box = useRef<HTMLDivElement>(null);
  const name = title
    .replace(/:.*/, "")
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, "-");
  const plot = () => box.current?.querySelector("svg");
  const ground = () =>
    getComputedStyle(document.documentElement).getPropertyValue("--color-base-100") || "#fff";
  const [heading = [], ...body] = rows;
  return (
    <figure className="min-w-0">
      <figcaption className="text-sm font-semibold">{title}</figcaption>
      <div ref={box} role="img" aria-label={words}>
        {children}
      </div>
      {open && (
        <>
          <table className="table table-xs">
            <thead>
              <tr>
                {heading.map((cell) => (
                  <th key={cell} scope="col">
                    {cell}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {body.map((row) => (
                <tr key={row.join()}>
                  {row.map((cell, i) => (
                    <td key={heading[i]}>{cell}</td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          <div className="join" role="group" aria-label={t("ui-files-of", { title })}>
            <button
              className="btn join-item btn-xs"
              onClick={() => save(`${name}.csv`, csvOf(rows), "text/csv")}
            >
              {t("ui-save-csv")}
            </button>
            <button
              className="btn join-item btn-xs"
              onClick={() => {
                const drawn = plot();
                if (drawn) save(`${name}.svg`, svgOf(drawn), "image/svg+xml");
              }}
            >
              {t("ui-save-svg")}
            </button>
            <button
              className="btn join-item btn-xs"
              onClick={() => {
                const drawn = plot();
                if (drawn) void pngOf(drawn, ground()).then((blob) => save(`${name}.png`, blob));
              }}
            >
              {t("ui-save-png")}
            </button>
          </div>
        </>
      )}
    </figure>
  );
}

/** Opens the tables and files of every plot on the page; the key `t` does too. */
export function TablesSwitch() {
  const open = useStored(tables);
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      const tag = (event.target as { tagName?: string } | null)?.tagName ?? "";
      if (event.key !== "t" || event.ctrlKey || event.metaKey || event.altKey) return;
      if (["INPUT", "TEXTAREA", "SELECT"].includes(tag)) return;
      tables.set(!tables.get());
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, []);
  return (
    <button className="btn btn-xs" aria-pressed={open} onClick={() => tables.set(!open)}>
      <Say id="ui-tables-and-files-t" elems={{ kbd: <kbd className="kbd kbd-xs max-sm:hidden" /> }} />
    </button>
  );
}
