import type { Schemas } from "../api/client";

/** The one-time address at which somebody sets a password, to be handed to them. */
export function HandOver({ link }: { link: Schemas["ResetLink"] }) {
  return (
    <p role="status" className="rounded-box bg-accent p-3 text-accent-content">
      Give this link to {link.name}. It works once, for a day:{" "}
      <strong className="break-all">{link.address}</strong>
    </p>
  );
}
