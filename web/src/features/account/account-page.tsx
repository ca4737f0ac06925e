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
        <p>
          {workshop} asks everybody who teaches for a second factor: set it up, and everything opens again.
        </p>
        <SecondFactor state={second_factor} />
      </div>
    );
  return (
    <div className="space-y-3">
      <h1 className="text-2xl font-bold">{display_name}</h1>
      <p>
        Signs in as <strong>{username}</strong> at {workshop}.{" "}
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
      <h2 className="text-lg font-bold">What is kept about you</h2>
      <p>Everything, as an archive: what you welded, what was measured and marked, your photos.</p>
      <a className="btn" href="/api/session/archive.zip" download>
        Take it along
      </a>
    </Panel>
  );
}

function LostPhone() {
  const out = useSignOutEverywhere();
  return (
    <Panel className="space-y-2">
      <h2 className="text-lg font-bold">A lost phone</h2>
      <p>Ends every session of yours, this one too.</p>
      <Problem error={out.error} />
      <button className="btn" onClick={() => out.mutate()}>
        Sign out everywhere
      </button>
    </Panel>
  );
}
