import { t } from "../../catalogue";
import { Panel } from "../../ui/panel";
import { Empty } from "../../ui/states";
import { money } from "./money";
import type { Item, Store } from "./queries";

/** What to order so that the sessions ahead are covered, by supplier. */
export function Orders({ store }: { store: Store }) {
  const asked = store.items.filter((item) => item.order !== "");
  const suppliers = [...new Set(asked.map((item) => item.supplier))].sort();
  return (
    <Panel tight aria-label={t("stock-to-order")} className="h-fit space-y-2">
      <div className="flex items-baseline justify-between">
        <h2 className="font-bold">{t("stock-to-order")}</h2>
        <button className="btn btn-sm print:hidden" onClick={() => window.print()}>
          {t("common-print")}
        </button>
      </div>
      {asked.length === 0 && <Empty>{t("stock-nothing-to-order-stock-covers-the")}</Empty>}
      {suppliers.map((supplier) => (
        <Supplier key={supplier} name={supplier} items={asked.filter((item) => item.supplier === supplier)} />
      ))}
      <p className="quiet text-sm">{t("stock-based-on-the-session-plan-and")}</p>
    </Panel>
  );
}

function Supplier({ name, items }: { name: string; items: Item[] }) {
  const sum = items.reduce((total, item) => total + (item.cost ?? 0), 0);
  return (
    <section>
      <h3 className="flex justify-between font-semibold">
        <span>{name === "" ? t("stock-no-supplier-named") : name}</span>
        {sum > 0 && <span>{money(sum)}</span>}
      </h3>
      <ul className="divide-y divide-base-300">
        {items.map((item) => (
          <li key={item.id} className="py-1">
            <span className="font-medium">{item.name}</span>
            <span className="quiet block text-sm">{item.what}</span>
            <span className="block">{item.order}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
