import { Say, t } from "../../catalogue";
import { Panel } from "../../ui/panel";
import { money } from "./money";
import type { Store } from "./queries";

type CostsOf = Store["costs"];
type Row = CostsOf["people"][number];

/** What practice costs: by person, session and coupon, and where the gas of one coupon goes. */
export function Costs({ costs }: { costs: CostsOf }) {
  return (
    <div className="space-y-3">
      <p>
        <Say
          id="stock-total-of-all-logged-runs"
          vars={{ money: money(costs.whole.total) }}
          elems={{ strong: <strong /> }}
        />
        {costs.unpriced && ` ${costs.unpriced}`}.{" "}
        {costs.litre !== null && (
          <span className="quiet">{t("stock-argon-per-litre", { litre: costs.litre.toFixed(3) })}</span>
        )}
      </p>
      <div className="grid gap-3 lg:grid-cols-2">
        <Table title={t("stock-by-person")} of={t("stock-person")} kinds={costs.kinds} rows={costs.people} />
        <Table
          title={t("stock-by-session")}
          of={t("common-session")}
          kinds={costs.kinds}
          rows={costs.sessions}
        />
      </div>
      <Panel tight aria-label={t("stock-by-coupon")}>
        <h2 className="font-bold">{t("stock-by-coupon")}</h2>
        <div className="overflow-x-auto">
          <table className="table table-sm">
            <thead>
              <tr>
                <th scope="col">{t("common-coupon")}</th>
                <Head>{t("stock-welded")}</Head>
                <Head>{t("stock-total")}</Head>
                <Head>{t("stock-each")}</Head>
                <Head>{t("stock-gas-of-one-run-l")}</Head>
                <Head>{t("stock-of-it-post-flow")}</Head>
                <Head>{t("stock-wider-cup-than-usual")}</Head>
                <Head>{t("stock-purge")}</Head>
                <Head>{t("stock-gas-of-one-costs")}</Head>
              </tr>
            </thead>
            <tbody>
              {costs.coupons.map((row) => (
                <tr key={row.name}>
                  <th scope="row">{row.name}</th>
                  <Cell>{row.coupons}</Cell>
                  <Cell>{money(row.total)}</Cell>
                  <Cell>{row.coupons > 0 ? money(row.total / row.coupons) : "–"}</Cell>
                  <Cell>{row.gas_l.toFixed(1)}</Cell>
                  <Cell>{row.postflow_l.toFixed(1)}</Cell>
                  <Cell>{row.cup_more_l > 0.05 ? row.cup_more_l.toFixed(1) : "–"}</Cell>
                  <Cell>{row.purge_l > 0.05 ? row.purge_l.toFixed(1) : "–"}</Cell>
                  <Cell>{costs.litre === null ? "–" : money(row.gas_l * costs.litre)}</Cell>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </Panel>
    </div>
  );
}

type TableProps = { title: string; of: string; kinds: Record<string, string>; rows: Row[] };

function Table({ title, of, kinds, rows }: TableProps) {
  return (
    <Panel tight aria-label={title}>
      <h2 className="font-bold">{title}</h2>
      <table className="table table-sm">
        <thead>
          <tr>
            <th scope="col">{of}</th>
            <Head>{t("stock-coupons")}</Head>
            {Object.values(kinds).map((words) => (
              <Head key={words}>{words}</Head>
            ))}
            <Head>{t("stock-total")}</Head>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.name}>
              <th scope="row">{row.name}</th>
              <Cell>{row.coupons}</Cell>
              {Object.keys(kinds).map((kind) => (
                <Cell key={kind}>{kind in row.by_kind ? money(row.by_kind[kind] ?? 0) : "–"}</Cell>
              ))}
              <Cell strong>{money(row.total)}</Cell>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}

function Head({ children }: { children: React.ReactNode }) {
  return (
    <th scope="col" className="text-right whitespace-normal">
      {children}
    </th>
  );
}

function Cell({ children, strong = false }: { children: React.ReactNode; strong?: boolean }) {
  return <td className={`text-right ${strong ? "font-semibold" : ""}`}>{children}</td>;
}
