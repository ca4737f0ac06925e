import { useAboutCourse } from "../../domain/course";
import { t } from "../../catalogue";
import { useState } from "react";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { ItemForm } from "./item-form";
import type { Change, Item, Kind, Store } from "./queries";

const COLUMNS = "grid-cols-[minmax(0,3fr)_minmax(0,2fr)_minmax(0,3fr)]";

type Props = { store: Store; change: Change };

/** Everything that is counted, by kind; each line is opened to count it, add to it or change it. */
export function Shelf({ store, change }: Props) {
  const filling = useAboutCourse().data?.filling != null;
  const [open, setOpen] = useState<number | "new" | null>(null);
  const turn = (id: number | "new") => setOpen(open === id ? null : id);
  const kinds = store.kinds.filter((kind) => store.items.some((item) => item.kind === kind.key));
  return (
    <Panel tight aria-label={t("stock-shelf")} className="space-y-2">
      <div className="flex items-baseline justify-between">
        <h2 className="font-bold">{t("stock-shelf")}</h2>
        <button className="btn btn-sm" aria-expanded={open === "new"} onClick={() => turn("new")}>
          {t("stock-new-item")}
        </button>
      </div>
      {open === "new" && <ItemForm store={store} change={change} item={null} done={() => setOpen(null)} />}
      {store.items.length === 0 && (
        <p>{filling ? t("shared-coming-while-the-demo-loads") : t("stock-no-stock-yet-add-the-first")}</p>
      )}
      <Problem error={change.drop.error} />
      {kinds.map((kind) => (
        <section key={kind.key}>
          <h3 className="quiet text-sm font-semibold">{kind.words}</h3>
          <ul className="divide-y divide-base-300">
            {store.items
              .filter((item) => item.kind === kind.key)
              .map((item) => (
                <li key={item.id}>
                  <button
                    className={`grid w-full items-baseline gap-3 py-1.5 text-left hover:bg-base-200 ${COLUMNS}`}
                    aria-expanded={open === item.id}
                    onClick={() => turn(item.id)}
                  >
                    <span>
                      <span className="font-medium">{item.name}</span>{" "}
                      <span className="quiet text-sm">{item.what}</span>
                    </span>
                    <span className={item.low ? "font-bold text-error" : "font-semibold"}>
                      {item.left_words}
                    </span>
                    <span className="text-sm">
                      {item.lasts ? (
                        t("stock-lasts", { lasts: item.lasts })
                      ) : (
                        <span className="quiet">{t("stock-no-use-recorded")}</span>
                      )}
                    </span>
                  </button>
                  {open === item.id && (
                    <Opened key={item.id} {...{ store, change, item, kind }} done={() => setOpen(null)} />
                  )}
                </li>
              ))}
          </ul>
        </section>
      ))}
    </Panel>
  );
}

type OpenedProps = Props & { item: Item; kind: Kind; done: () => void };

function Opened({ store, change, item, kind, done }: OpenedProps) {
  const [what, setWhat] = useState("counted");
  const [amount, setAmount] = useState("");
  const [note, setNote] = useState("");
  const [changing, setChanging] = useState(false);
  const off = Math.round(100 * (item.real - 1));
  return (
    <div className="space-y-2 rounded-box bg-base-200 p-3">
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          change.move.mutate(
            { item: item.id, kind: what, amount: Number(amount), note },
            { onSuccess: done },
          );
        }}
      >
        <label>
          <span className="mb-1 block text-sm font-medium">{t("stock-type-of-change")}</span>
          <select className="select w-auto" value={what} onChange={(e) => setWhat(e.target.value)}>
            {Object.entries(store.moves).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="mb-1 block text-sm font-medium">{t("stock-amount", { unit: kind.unit })}</span>
          <input
            className="input w-28"
            inputMode="decimal"
            value={amount}
            onChange={(e) => setAmount(e.target.value.replace(",", "."))}
          />
        </label>
        <label className="grow">
          <span className="mb-1 block text-sm font-medium">{t("stock-note")}</span>
          <input className="input w-full" value={note} onChange={(e) => setNote(e.target.value)} />
        </label>
        <button
          className="btn btn-primary"
          disabled={change.move.isPending || amount === "" || Number.isNaN(Number(amount))}
        >
          {t("stock-save-change")}
        </button>
      </form>
      <Problem error={change.move.error} />
      <p className="flex flex-wrap items-center gap-2 text-sm">
        {off !== 0 && (
          <span>
            {t(off > 0 ? "stock-more-between-counts" : "stock-less-between-counts", { share: Math.abs(off) })}
          </span>
        )}
        <button className="btn btn-sm" aria-expanded={changing} onClick={() => setChanging(!changing)}>
          {t("stock-edit-item")}
        </button>
        <button
          className="btn btn-ghost btn-sm"
          onClick={() => change.drop.mutate(item.id, { onSuccess: done })}
        >
          {t("stock-delete-item-and-counts")}
        </button>
      </p>
      {changing && <ItemForm store={store} change={change} item={item} done={done} />}
    </div>
  );
}
