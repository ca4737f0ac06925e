import { t } from "../../catalogue";
import { useSearchParams } from "react-router";
import { Loading, Problem } from "../../ui/states";
import { useUnits } from "../../domain/use-units";
import { PanelCard } from "./panel-card";
import { usePanels } from "./queries";

/** The calculators as one page of live panels; an address with `panel` and its figures opens them as they were. */
export function WorkbenchPage() {
  const units = useUnits();
  const [params, setParams] = useSearchParams();
  const panels = usePanels();
  if (panels.isPending) return <Loading />;
  if (panels.isError) return <Problem error={panels.error} again={() => void panels.refetch()} />;
  const { panel: opened, ...linked } = Object.fromEntries(params);
  const sorted = [...panels.data].sort((a, b) => Number(b.key === opened) - Number(a.key === opened));
  return (
    <>
      <h1 className="mb-3 text-2xl font-bold">{t("common-calculators")}</h1>
      <div className="grid items-start gap-3 md:grid-cols-2 xl:grid-cols-3">
        {sorted.map((p) => (
          <PanelCard
            key={`${p.key}${units.length}${units.flow}`}
            panel={p}
            units={units}
            linked={p.key === opened ? linked : null}
            keep={(key, si) => setParams({ panel: key, ...si }, { replace: true, preventScrollReset: true })}
          />
        ))}
      </div>
      <p className="quiet mt-4 text-sm">{t("workbench-rules-of-thumb-and-public-formulas")}</p>
    </>
  );
}
