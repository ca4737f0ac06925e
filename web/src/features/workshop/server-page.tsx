import { CircleAlert, CircleCheck, CircleX, RefreshCw } from "lucide-react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { t } from "../../catalogue";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { useServer } from "./queries";

type Finding = Schemas["ServerFinding"];

const SIGNS = {
  good: { icon: CircleCheck, look: "text-success", words: t("workshop-server-good") },
  look: { icon: CircleAlert, look: "text-warning", words: t("workshop-server-look") },
  bad: { icon: CircleX, look: "text-error", words: t("workshop-server-bad") },
};

/** Whether the server is well, for the workshop's owners; the same as `./judicum doctor` says. */
export function ServerPage() {
  const server = useServer();
  return (
    <div className="mx-auto max-w-3xl space-y-3">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-2xl font-bold">{t("workshop-server")}</h1>
        <Link className="link" to="/workshop">
          {t("common-the-workshop")}
        </Link>
        <button
          className="btn ml-auto btn-sm"
          disabled={server.isFetching}
          onClick={() => void server.refetch()}
        >
          <RefreshCw size={16} aria-hidden /> {t("workshop-check-again")}
        </button>
      </div>
      {server.isPending && <Loading />}
      <Problem error={server.error} />
      {server.data && (
        <>
          <ul className="divide-y divide-base-300 rounded-box border border-base-300 bg-base-100">
            {server.data.findings.map((one) => (
              <Row key={one.what} finding={one} />
            ))}
          </ul>
          {server.data.fingerprint && <Authority fingerprint={server.data.fingerprint} />}
        </>
      )}
    </div>
  );
}

function Row({ finding }: { finding: Finding }) {
  const { icon: Icon, look, words } = SIGNS[finding.state];
  return (
    <li className="flex items-start gap-3 px-3 py-2.5">
      <Icon size={20} className={`mt-0.5 shrink-0 ${look}`} role="img" aria-label={words} />
      <div className="grid min-w-0 grow gap-x-4 sm:grid-cols-[10rem_minmax(0,1fr)]">
        <span className="font-medium">{finding.what}</span>
        <span className="break-words">{finding.words}</span>
        {finding.advice && <span className="quiet break-words sm:col-start-2">{finding.advice}</span>}
      </div>
    </li>
  );
}

function Authority({ fingerprint }: { fingerprint: string }) {
  return (
    <Panel>
      <h2 className="text-lg font-bold">{t("workshop-phones-trust")}</h2>
      <p>{t("workshop-phones-trust-how")}</p>
      <p className="mt-2 font-mono text-sm break-words">{fingerprint}</p>
      <Link className="link" to="/trust">
        {t("workshop-phones-trust-page")}
      </Link>
    </Panel>
  );
}
