import { Say, t } from "../../catalogue";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap } from "../../api/client";
import { Empty, Loading, Problem } from "../../ui/states";
import { dateWords } from "../../domain/words";
import { workshopKeys } from "../../domain/keys";

/** What the stand-in for a mail server wrote for the workshop. */
export function MailPage() {
  const read = useQuery({
    queryKey: workshopKeys.mail,
    queryFn: () => unwrap(api.GET("/api/workshop/mail")),
  });
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  return (
    <div className="mx-auto max-w-3xl space-y-3">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-2xl font-bold">{t("workshop-sent-mail")}</h1>
        <Link className="link" to="/workshop">
          {t("common-the-workshop")}
        </Link>
      </div>
      <p>{t("workshop-no-mail-server-is-set-up")}</p>
      {read.data.length === 0 && <Empty>{t("workshop-no-mail-yet")}</Empty>}
      <ul className="space-y-2">
        {read.data.map((mail, k) => (
          <li key={k}>
            <details className="rounded-box border border-base-300 bg-base-100 p-3">
              <summary className="cursor-pointer">
                <Say
                  id="workshop-to"
                  vars={{ subject: mail.subject, to: mail.to }}
                  elems={{ strong: <strong /> }}
                />
                {mail.at && `, ${dateWords(mail.at)}`}
              </summary>
              <pre className="mt-2 font-sans whitespace-pre-wrap">{mail.text}</pre>
            </details>
          </li>
        ))}
      </ul>
    </div>
  );
}
