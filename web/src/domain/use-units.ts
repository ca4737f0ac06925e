import { useSession } from "./use-session";
import type { Units } from "./units";

/** The signed-in person's units. */
export function useUnits(): Units {
  const session = useSession();
  return { length: session.data?.length_unit ?? "mm", flow: session.data?.flow_unit ?? "l_min" };
}
