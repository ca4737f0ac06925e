import { t } from "../../../catalogue";
import { choiceWords, fieldWords, optionsOf } from "../../../domain/words";
import { YES, type Typed } from "../log-shape";
import { shapes } from "./noticed-shapes";

const CHOICES = ["electrode_after", "arc", "rod_end"];
const FLAGS = ["puff_at_start", "draught", "part_hot"];

/** What was noticed, by pictures with words: one tap each, a second takes it back. */
export function NoticedStep({ typed, set }: { typed: Typed; set: (key: string, value: string) => void }) {
  return (
    <div className="space-y-4">
      <h2 className="text-2xl font-bold">{t("booth-noticed")}</h2>
      {CHOICES.map((key) => (
        <fieldset key={key}>
          <legend className="mb-1 text-lg font-semibold">{fieldWords(key)}</legend>
          <div className="grid grid-cols-2 gap-2">
            {optionsOf(key).map((code) => (
              <Tile
                key={code}
                shape={`${key}-${code}`}
                words={choiceWords(key, code)}
                on={typed[key] === code}
                tap={() => set(key, typed[key] === code ? "" : code)}
              />
            ))}
          </div>
        </fieldset>
      ))}
      <fieldset>
        <legend className="mb-1 text-lg font-semibold">{t("booth-also")}</legend>
        <div className="grid grid-cols-2 gap-2">
          {FLAGS.map((key) => (
            <Tile
              key={key}
              shape={key}
              words={fieldWords(key)}
              on={typed[key] === YES}
              tap={() => set(key, typed[key] === YES ? "" : YES)}
            />
          ))}
        </div>
      </fieldset>
    </div>
  );
}

type TileProps = { shape: string; words: string; on: boolean; tap: () => void };

function Tile({ shape, words, on, tap }: TileProps) {
  const drawn = shapes[shape];
  return (
    <button
      type="button"
      aria-pressed={on}
      className={[
        "flex min-h-24 flex-col items-center justify-center rounded-box border-4 bg-base-100 p-2 text-lg font-semibold",
        on ? "border-primary" : "border-base-300",
      ].join(" ")}
      onClick={tap}
    >
      {drawn && (
        <svg viewBox="0 0 96 60" aria-hidden className="h-12">
          {drawn.metal && (
            <path d={drawn.metal} className="fill-base-300 stroke-base-content" strokeWidth={1.6} />
          )}
          {drawn.seen && <path d={drawn.seen} className="fill-none stroke-primary" strokeWidth={3} />}
          {drawn.mark && <path d={drawn.mark} className="fill-none stroke-accent" strokeWidth={3} />}
        </svg>
      )}
      {words}
    </button>
  );
}
