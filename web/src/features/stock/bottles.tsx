import { measure } from "../../domain/units";
import { useUnits } from "../../domain/use-units";
import { t } from "../../catalogue";
import { useState } from "react";
import { ReadGauge } from "../../domain/read-gauge";
import { ChoiceField } from "../../ui/choice-field";
import { TextField } from "../../ui/field";
import { Panel, WarningNote } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { dateWords } from "../../domain/words";
import type { Bottle, Change, Store } from "./queries";

type Props = { store: Store; change: Change };

/** The bottles in use, how far they have fallen, and how long all argon lasts. */
export function Bottles({ store, change }: Props) {
  const { gas, bottles } = store;
  const real = Math.round(100 * (gas.real - 1));
  return (
    <Panel tight aria-label={t("stock-argon")} className="space-y-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="font-bold">{t("stock-argon")}</h2>
        <p>
          <strong>{gas.words}</strong> {gas.lasts && <>{t("stock-last", { lasts: gas.lasts })}</>}
          {gas.per_session !== null && (
            <span className="quiet">
              {" "}
              {t("stock-at-l-per-session", { per_session: Math.round(gas.per_session) })}
              {real !== 0 &&
                `, ${t(real > 0 ? "stock-more-than-logged" : "stock-less-than-logged", { share: Math.abs(real) })}`}
            </span>
          )}
        </p>
      </div>
      {bottles.map(
        (one) =>
          one.leak && (
            <WarningNote key={one.id} severity={t("stock-warn")}>
              {one.leak}
            </WarningNote>
          ),
      )}
      <div className="flex flex-wrap gap-3">
        {bottles.map((one) => (
          <OneBottle key={one.id} bottle={one} store={store} change={change} />
        ))}
        <Open store={store} change={change} />
      </div>
      <Problem error={change.setBottle.error} />
    </Panel>
  );
}

function OneBottle({ bottle, store, change }: Props & { bottle: Bottle }) {
  const units = useUnits();
  const [reading, setReading] = useState(false);
  const share = bottle.share ?? 0;
  return (
    <section
      className="flex w-72 gap-3 rounded-box border border-base-300 p-2"
      aria-label={t("stock-bottle", { name: bottle.name })}
    >
      <svg viewBox="0 0 40 110" className="h-28 shrink-0" aria-hidden>
        <path d="M16 2h8v8h-8z" className="fill-base-content/60" />
        <path
          d="M14 10h12q10 4 10 16v78q0 4-4 4H8q-4 0-4-4V26q0-12 10-16z"
          className="fill-base-200 stroke-base-content/60"
        />
        <clipPath id={`bottle-${String(bottle.id)}`}>
          <path d="M14 10h12q10 4 10 16v78q0 4-4 4H8q-4 0-4-4V26q0-12 10-16z" />
        </clipPath>
        <rect
          clipPath={`url(#bottle-${String(bottle.id)})`}
          x="0"
          width="40"
          y={108 - 98 * share}
          height={98 * share}
          className={share < 0.15 ? "fill-error" : "fill-primary/70"}
        />
      </svg>
      <div className="min-w-0 grow text-sm">
        <p className="font-semibold">
          {bottle.name} <span className="quiet font-normal">{t("stock-l", { size_l: bottle.size_l })}</span>
        </p>
        {bottle.bar === null ? (
          <p>{t("stock-no-reading-yet")}</p>
        ) : (
          <>
            <p className="text-lg font-bold">{measure(bottle.bar, "pressure", units)}</p>
            <p>{bottle.words}</p>
            <p className="quiet">
              {bottle.how}
              {bottle.read_at && `, ${dateWords(bottle.read_at)}`}
            </p>
          </>
        )}
        <div className="mt-1 flex flex-wrap gap-1">
          <button className="btn btn-xs" aria-pressed={reading} onClick={() => setReading(!reading)}>
            {t("stock-record-reading")}
          </button>
          <button
            className="btn btn-xs"
            onClick={() => change.setBottle.mutate({ bottle: bottle.id, closed: true })}
          >
            {t("stock-mark-as-empty")}
          </button>
        </div>
        {store.gauges.length > 0 && (
          <label className="mt-1 block">
            {t("stock-wired-gauge")}{" "}
            <select
              className="select w-auto select-xs"
              value={bottle.gauge}
              onChange={(e) =>
                change.setBottle.mutate({ bottle: bottle.id, gauge: e.target.value, closed: false })
              }
            >
              <option value="">{t("common-none")}</option>
              {store.gauges.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          </label>
        )}
        {reading && (
          <ReadGauge
            bottle={bottle.id}
            done={() => {
              setReading(false);
              void change.again();
            }}
          />
        )}
      </div>
    </section>
  );
}

function Open({ store, change }: Props) {
  const full = store.items.filter((item) => item.kind === "gas");
  const [item, setItem] = useState("");
  const [name, setName] = useState("");
  if (full.length === 0) return <p className="quiet text-sm">{t("stock-no-full-bottles-in-stock-add")}</p>;
  const chosen = item === "" ? String(full[0]?.id) : item;
  return (
    <form
      className="w-52 space-y-1 rounded-box border border-dashed border-base-content/40 p-2"
      onSubmit={(e) => {
        e.preventDefault();
        change.open.mutate({ item: Number(chosen), name }, { onSuccess: () => setName("") });
      }}
    >
      <ChoiceField
        label={t("stock-full-bottle")}
        value={chosen}
        options={full.map((one) => String(one.id))}
        words={(id) => full.find((one) => String(one.id) === id)?.name ?? id}
        onChange={setItem}
      />
      <TextField label={t("stock-location")} value={name} onChange={setName} />
      <Problem error={change.open.error} />
      <button className="btn btn-sm" disabled={change.open.isPending || name === ""}>
        {t("stock-put-in-use")}
      </button>
    </form>
  );
}
