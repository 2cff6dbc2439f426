import { Button, Typography } from '@mui/material';
import type { View } from '../ground/api.ts';
import { send } from '../ground/batchCommands.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { problemOf } from '../ground/api.ts';

type Rig = View<'RigView'>;

interface OnBatch {
  rig: Rig;
  batchId: string;
  version: number;
}

/** What was pressed, and why it could not be. */
function Act({
  label,
  command,
}: {
  label: string;
  command: { mutate: (nothing: object) => void; isPending: boolean; error: Error | null };
}) {
  const problem = command.error ? problemOf(command.error) : null;
  return (
    <>
      <Button variant="outlined" loading={command.isPending} onClick={() => command.mutate({})}>
        {label}
      </Button>
      {problem && (
        <Typography role="alert" variant="body2" color="error" sx={{ flexBasis: '100%' }}>
          {problem.findings?.map((f) => f.sentence).join('; ') ?? problem.detail ?? problem.title}
        </Typography>
      )}
    </>
  );
}

function useRigCommand<K extends 'put-in' | 'close-rig' | 'take-out'>(command: K, { rig, batchId, version }: OnBatch) {
  const { session } = useSession();
  return useCommand((_: object, headers) => send(command, batchId, { rigId: rig.id, personId: session.personId, version }, headers));
}

export function TakeOutAct({ pieces, ...on }: OnBatch & { pieces: number }) {
  const command = useRigCommand('take-out', on);
  return <Act label={`Take out ${pieces}`} command={command} />;
}

export function CloseAct(on: OnBatch) {
  const command = useRigCommand('close-rig', on);
  return <Act label="Close it" command={command} />;
}

export function PutInAct({ rig, waiting }: { rig: Rig; waiting: View<'ForRigView'> }) {
  const command = useRigCommand('put-in', { rig, batchId: waiting.batchId, version: waiting.version });
  return <Act label={`Put ${waiting.fits} in`} command={command} />;
}
