import { Link } from "react-router";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useSession } from "../../domain/use-session";
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
        <p>{workshop} requires a second factor for everyone who teaches. Set it up here to continue.</p>
        <SecondFactor state={second_factor} />
      </div>
    );
  return (
    <div className="space-y-3">
      <h1 className="text-2xl font-bold">{display_name}</h1>
      <p>
        Login name: <strong>{username}</strong> at {workshop}.{" "}
        {owns && (
          <Link className="link" to="/workshop">
            The workshop
          </Link>
        )}
      </p>
      <div className="grid items-start gap-3 md:grid-cols-2">
        <div className="space-y-3">
          <NewPassword />
          <Mail />
          <LostPhone />
        </div>
        <div className="space-y-3">
          <SecondFactor state={second_factor} />
          <Tokens />
          <Kept />
        </div>
      </div>
    </div>
  );
}

function Kept() {
  return (
    <Panel className="space-y-2">
      <h2 className="text-lg font-bold">Your data</h2>
      <p>An archive of your runs, measurements, marks and photos.</p>
      <a className="btn" href="/api/session/archive.zip" download>
        Download my data
      </a>
    </Panel>
  );
}

function LostPhone() {
  const out = useSignOutEverywhere();
  return (
    <Panel className="space-y-2">
      <h2 className="text-lg font-bold">Lost phone</h2>
      <p>Signs you out on every device, including this one.</p>
      <Problem error={out.error} />
      <button className="btn" onClick={() => out.mutate()}>
        Sign out everywhere
      </button>
    </Panel>
  );
}
