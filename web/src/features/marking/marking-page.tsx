import { useParams } from "react-router";
import { CursorScope } from "../../ui/cursor";
import { PlaceScope } from "../../domain/place";
import { Loading, Problem } from "../../ui/states";
import { useAttempt, type Attempt } from "../../domain/use-attempt";
import { Bench } from "./bench";
import { Heading } from "./heading";
import { useCauses, useProposal, useToNext } from "./queries";
import type { Proposal } from "./score-shape";

export function MarkingPage() {
  const { attemptId } = useParams();
  const id = Number(attemptId);
  const attempt = useAttempt(id);
  const proposal = useProposal(id, attempt.data);
  if (attempt.isPending || (attempt.isSuccess && proposal.isPending)) return <Loading />;
  if (attempt.isError) return <Problem error={attempt.error} again={() => void attempt.refetch()} />;
  if (proposal.isError) return <Problem error={proposal.error} again={() => void proposal.refetch()} />;
  return (
    <CursorScope key={id}>
      <PlaceScope>
        <Desk attempt={attempt.data} proposal={proposal.data} reload={() => attempt.refetch()} />
      </PlaceScope>
    </CursorScope>
  );
}

type Props = { attempt: Attempt; proposal: Proposal | undefined; reload: () => Promise<unknown> };

function Desk({ attempt, proposal, reload }: Props) {
  const next = useToNext(attempt.id);
  const causes = useCauses(attempt);
  if (!proposal || causes.isPending) return <Loading />;
  return (
    <>
      <Heading attempt={attempt} asked={causes.data?.asked ?? null} />
      <Problem error={next.error} />
      <Bench {...{ attempt, proposal, reload, causes }} toNext={next.mutate} />
    </>
  );
}
