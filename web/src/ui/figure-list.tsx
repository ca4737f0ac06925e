import type { ReactNode } from "react";

/** Names and figures in two columns. */
export function FigureList({ rows }: { rows: [words: string, value: ReactNode][] }) {
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 text-sm [&_dd]:text-right [&_dd]:font-semibold">
      {rows.map(([words, value]) => (
        <div key={words} className="contents">
          <dt>{words}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}
