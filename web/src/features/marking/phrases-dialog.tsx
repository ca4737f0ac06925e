import { t } from "../../catalogue";
import { useState } from "react";
import { vocabulary } from "../../api/generated-vocabulary";
import { Dialog } from "../../ui/dialog";
import { TextField } from "../../ui/field";
import { Loading, Problem } from "../../ui/states";
import { useKeepPhrases, usePhrases } from "./queries";
import { filled } from "./score-shape";

const KEYS = ["1", "2", "3", "4", "5", "6", "7", "8", "9"];

type Props = { values: Record<string, string>; write: (phrase: string) => void; close: () => void };

/** One's own sentences on keys 1 to 9, with the figures of this attempt in them; and writing them. */
export function PhrasesDialog({ values, write, close }: Props) {
  const phrases = usePhrases();
  const [editing, setEditing] = useState(false);
  if (phrases.isPending) return <Loading />;
  const mine = phrases.data ?? [];
  return (
    <Dialog title={t("marking-phrases")} close={close}>
      <Problem error={phrases.error} />
      {editing ? (
        <Editor
          texts={Object.fromEntries(mine.map((p) => [String(p.key), p.text]))}
          done={() => setEditing(false)}
        />
      ) : (
        <div
          onKeyDown={(e) => {
            const one = mine.find((p) => String(p.key) === e.key);
            if (one) write(one.text);
          }}
        >
          <ol className="space-y-1">
            {mine.map((p, i) => (
              <li key={p.key}>
                <button
                  // The dialog opens for its phrases: a digit writes one at once.
                  autoFocus={i === 0}
                  className="btn h-auto w-full justify-start btn-ghost py-1 text-left font-normal btn-sm"
                  onClick={() => write(p.text)}
                >
                  <kbd className="kbd kbd-sm">{p.key}</kbd> {filled(p.text, values)}
                </button>
              </li>
            ))}
          </ol>
          {mine.length === 0 && <p>{t("marking-you-have-no-phrases-yet")}</p>}
          <button className="btn mt-3 btn-sm" onClick={() => setEditing(true)}>
            {t("marking-edit-phrases")}
          </button>
        </div>
      )}
    </Dialog>
  );
}

function Editor({ texts, done }: { texts: Record<string, string>; done: () => void }) {
  const [typed, setTyped] = useState(texts);
  const keep = useKeepPhrases();
  return (
    <form
      className="space-y-1"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(typed, { onSuccess: done });
      }}
    >
      <p className="quiet text-sm">
        {t("marking-words-in-braces-are-replaced-by")}{" "}
        {vocabulary.placeholders.map((name, i) => (
          <span key={name}>
            {i > 0 && ", "}
            <code>{`{${name}}`}</code> {t(`placeholder-${name}`)}
          </span>
        ))}
        .
      </p>
      {KEYS.map((key) => (
        <TextField
          key={key}
          label={t("marking-key", { key })}
          maxLength={vocabulary.most.next}
          value={typed[key] ?? ""}
          onChange={(text) => setTyped({ ...typed, [key]: text })}
        />
      ))}
      <Problem error={keep.error} />
      <button className="btn btn-primary" disabled={keep.isPending}>
        {t("marking-save-phrases")}
      </button>
    </form>
  );
}
