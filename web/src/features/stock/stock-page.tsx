import { Say, t } from "../../catalogue";
import { useSearchParams } from "react-router";
import { useCourse } from "../../domain/course";
import { Picker } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { Bottles } from "./bottles";
import { Costs } from "./costs";
import { CutList } from "./cut-list";
import { Orders } from "./orders";
import { useStore } from "./queries";
import { Shelf } from "./shelf";

const PARTS = {
  shelf: t("stock-shelf-and-gas"),
  costs: t("stock-costs"),
  cuts: t("stock-cut-list"),
} as const;
type Part = keyof typeof PARTS;

/** What there is to weld with: what is left, how long it lasts, what to order, what it costs, what to cut. */
export function StockPage() {
  const change = useStore();
  const [params, setParams] = useSearchParams();
  const part = (params.get("part") ?? "shelf") as Part;
  const { read } = change;
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  const store = read.data;
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-1">
        <h1 className="text-2xl font-bold">{t("common-stock")}</h1>
        <Picker
          label={t("stock-view")}
          options={Object.keys(PARTS) as Part[]}
          words={(one) => PARTS[one]}
          value={part}
          choose={(one) => setParams(one === "shelf" ? {} : { part: one }, { replace: true })}
        />
        <Files />
      </div>
      {part === "shelf" && (
        <div className="grid gap-3 xl:grid-cols-[minmax(0,1fr)_22rem]">
          <div className="min-w-0 space-y-3">
            <Bottles store={store} change={change} />
            <Shelf store={store} change={change} />
          </div>
          <Orders store={store} />
        </div>
      )}
      {part === "costs" && <Costs costs={store.costs} />}
      {part === "cuts" && <CutList />}
    </div>
  );
}

function Files() {
  const at = `/api/courses/${String(useCourse().id)}`;
  return (
    <p className="text-sm">
      <Say
        id="stock-as-csv-stock-counts-and-deliveries"
        elems={{
          a: <a className="link" href={`${at}/stock.csv`} />,
          a2: <a className="link" href={`${at}/stock-moves.csv`} />,
          a3: <a className="link" href={`${at}/plan.csv`} />,
        }}
      />
    </p>
  );
}
