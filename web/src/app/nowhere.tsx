import { t } from "../catalogue";
import { Link } from "react-router";

export function Nowhere() {
  return (
    <main className="mx-auto max-w-md p-8">
      <h1 className="text-2xl font-bold">{t("app-page-not-found")}</h1>
      <p className="my-4">{t("app-there-is-no-page-at-this")}</p>
      <Link className="btn btn-primary" to="/">
        {t("app-go-to-the-start-page")}
      </Link>
    </main>
  );
}
