import { t } from "../../catalogue";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { Problem } from "../../ui/states";
import { useSession } from "../../domain/use-session";
import { Field, Frame } from "./frame";
import { useJoin } from "./queries";

export function JoinPage() {
  const session = useSession();
  const [search] = useSearchParams();
  const signedIn = session.isSuccess;
  const [given, setGiven] = useState({
    code: search.get("code") ?? "",
    display_name: "",
    username: "",
    password: "",
  });
  const set = (key: keyof typeof given) => (value: string) => setGiven((g) => ({ ...g, [key]: value }));
  const join = useJoin();
  return (
    <Frame title={t("sign-in-join-a-course")}>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          join.mutate(signedIn ? { code: given.code } : given);
        }}
      >
        <Field
          id="code"
          label={t("sign-in-course-code")}
          value={given.code}
          autoComplete="off"
          onChange={set("code")}
        />
        {!signedIn && (
          <>
            <Field
              id="display_name"
              label={t("sign-in-your-name-shown-to-the-class")}
              value={given.display_name}
              autoComplete="name"
              onChange={set("display_name")}
            />
            <Field
              id="username"
              label={t("common-login-name")}
              value={given.username}
              autoComplete="username"
              onChange={set("username")}
            />
            <Field
              id="password"
              label={t("sign-in-password-at-least-8-characters")}
              type="password"
              value={given.password}
              autoComplete="new-password"
              onChange={set("password")}
            />
          </>
        )}
        <Problem error={join.error} />
        <button className="btn mt-4 h-12 w-full btn-primary" disabled={join.isPending}>
          {join.isPending ? t("sign-in-joining") : t("sign-in-join")}
        </button>
      </form>
      <p className="mt-6">
        <Link className="link" to="/sign-in">
          {t("sign-in-sign-in-instead")}
        </Link>
      </p>
    </Frame>
  );
}
