import { LOCALES, Say, t, type Locale } from "../../catalogue";
import { Link } from "react-router";
import { ChoiceField } from "../../ui/choice-field";
import { Toggle } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useChangePreferences, useSession } from "../../domain/use-session";
import { choiceWords } from "../../domain/words";
import { NewPassword } from "./new-password";
import { Mail } from "./mail";
import { useSignOutEverywhere } from "./queries";
import { SecondFactor } from "./second-factor";
import { Tokens } from "./tokens";

/** One's own account. */
export function AccountPage() {
  const session = useSession();
  if (!session.data) return <Problem error={session.error} />;
  const { display_name, username, workshop, owns, second_factor } = session.data;
  if (second_factor === "missing")
    return (
      <div className="mx-auto max-w-lg space-y-3">
        <h1 className="text-2xl font-bold">{display_name}</h1>
        <p>{t("account-requires-a-second-factor-for-everyone", { workshop })}</p>
        <SecondFactor state={second_factor} />
      </div>
    );
  return (
    <div className="space-y-3">
      <h1 className="text-2xl font-bold">{display_name}</h1>
      <p>
        <Say id="account-login-name-at" vars={{ username, workshop }} elems={{ strong: <strong /> }} />{" "}
        {owns && (
          <Link className="link" to="/workshop">
            {t("common-the-workshop")}
          </Link>
        )}
      </p>
      <div className="grid items-start gap-3 md:grid-cols-2">
        <div className="space-y-3">
          <Language />
          <NewPassword />
          <Mail />
          <LostPhone />
        </div>
        <div className="space-y-3">
          <SecondFactor state={second_factor} />
          <Tokens />
          <Shared />
          <Kept />
        </div>
      </div>
    </div>
  );
}

function Language() {
  const session = useSession();
  const change = useChangePreferences();
  return (
    <Panel className="space-y-2">
      <ChoiceField
        label={t("account-language")}
        value={session.data?.locale ?? ""}
        empty={t("account-language-of-the-browser")}
        options={LOCALES}
        words={(one) => choiceWords("locale", one)}
        onChange={(one) => change.mutate({ locale: one as Locale | "" })}
      />
      <Problem error={change.error} />
    </Panel>
  );
}

function Shared() {
  const session = useSession();
  const change = useChangePreferences();
  return (
    <Panel className="space-y-2">
      <h2 className="text-lg font-bold">{t("account-photos-to-learn-from")}</h2>
      <p>{t("account-what-is-shared")}</p>
      <Toggle
        checked={session.data?.shares_pictures ?? false}
        onChange={(on) => change.mutate({ shares_pictures: on })}
      >
        {t("account-share-my-photos")}
      </Toggle>
      <Problem error={change.error} />
    </Panel>
  );
}

function Kept() {
  return (
    <Panel className="space-y-2">
      <h2 className="text-lg font-bold">{t("account-your-data")}</h2>
      <p>{t("account-an-archive-of-your-runs-measurements")}</p>
      <a className="btn" href="/api/session/archive.zip" download>
        {t("account-download-my-data")}
      </a>
    </Panel>
  );
}

function LostPhone() {
  const out = useSignOutEverywhere();
  return (
    <Panel className="space-y-2">
      <h2 className="text-lg font-bold">{t("common-lost-phone")}</h2>
      <p>{t("account-signs-you-out-on-every-device")}</p>
      <Problem error={out.error} />
      <button className="btn" onClick={() => out.mutate()}>
        {t("account-sign-out-everywhere")}
      </button>
    </Panel>
  );
}
