import { Say } from "../catalogue";
import type { Schemas } from "../api/client";

/** The one-time address at which somebody sets a password, to be handed to them. */
export function HandOver({ link }: { link: Schemas["ResetLink"] }) {
  return (
    <p role="status" className="rounded-box bg-accent p-3 text-accent-content">
      <Say
        id="shared-give-this-link-to-it-works"
        vars={{ name: link.name, address: link.address }}
        elems={{ strong: <strong className="break-all" /> }}
      />
    </p>
  );
}
