type Props = {
  /** What the drawing shows, said for those who do not see it. */
  words: string;
  /** Rows of the screen from the top; the one to tap has words, the others are bars. */
  rows: (string | null)[];
  /** Whether the row to tap has a switch that is on. */
  switched?: boolean;
};

const WIDE = 150;
const TALL = 172;
const ROW = 26;
const TOP = 26;

/** A phone's screen with the one row to tap. */
export function Drawing({ words, rows, switched = false }: Props) {
  return (
    <svg
      role="img"
      aria-label={words}
      viewBox={`0 0 ${String(WIDE)} ${String(TALL)}`}
      className="h-44 shrink-0 text-base-content"
    >
      <rect
        x="3"
        y="3"
        width={WIDE - 6}
        height={TALL - 6}
        rx="14"
        fill="none"
        stroke="currentColor"
        strokeWidth="2.5"
      />
      <rect x={WIDE / 2 - 14} y="9" width="28" height="5" rx="2.5" fill="currentColor" opacity="0.35" />
      {rows.map((row, k) => (
        <g key={k} transform={`translate(10 ${String(TOP + k * ROW)})`}>
          {row === null ? (
            <rect
              x="6"
              y="8"
              width={k % 2 ? 62 : 84}
              height="7"
              rx="3.5"
              fill="currentColor"
              opacity="0.22"
            />
          ) : (
            <>
              <rect width={WIDE - 20} height={ROW - 3} rx="5" className="fill-primary" />
              <text x="7" y="15" fontSize="9" className="fill-primary-content font-semibold">
                {row}
              </text>
              {switched && (
                <>
                  <rect x={WIDE - 46} y="6" width="20" height="11" rx="5.5" className="fill-base-100" />
                  <circle cx={WIDE - 32} cy="11.5" r="4" className="fill-primary" />
                </>
              )}
            </>
          )}
        </g>
      ))}
    </svg>
  );
}
