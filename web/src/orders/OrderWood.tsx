import { formatLumber } from '@ample-crane/core';
import { Button, Stack, Typography } from '@mui/material';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useOrderWood } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';

type Part = View<'OrderPartWoodView'>;

/** The wood an order is made of, part by part: what is kept for it, and from which lot it could be. */
export function OrderWood({ orderId }: { orderId: string }) {
  const query = useOrderWood(orderId);
  return (
    <section aria-label="Its wood">
      <Typography variant="h2">Its wood</Typography>
      {query.error && <ErrorNote error={query.error} onRetry={() => void query.refetch()} />}
      {query.data && <Parts orderId={orderId} parts={query.data.parts} />}
    </section>
  );
}

function Parts({ orderId, parts }: { orderId: string; parts: readonly Part[] }) {
  if (parts.every((p) => p.neededM3 === 0 && p.keptM3 === 0))
    return <Typography>{parts.map((p) => `${p.component} of ${p.species}`).join(', ')}: all of it is begun.</Typography>;
  return parts.map((part) => <PartWood key={part.component} orderId={orderId} part={part} />);
}

function PartWood({ orderId, part }: { orderId: string; part: Part }) {
  const { units, may } = useSession();
  const keep = useCommand(({ id, ...body }: { id: string } & View<'KeepWoodDto'>, headers) =>
    ask(client.POST('/api/lots/{id}/keep', { params: { path: { id } }, body, headers })),
  );
  const lackM3 = Math.max(0, part.neededM3 - part.keptM3);
  const able = lackM3 > 0 ? part.lots.find((l) => l.freeM3 - l.keptM3 + 1e-9 >= lackM3) : undefined;
  const kept = part.lots.filter((l) => l.keptM3 > 0);
  return (
    <Stack sx={{ py: 0.75 }} spacing={0.5} role="group" aria-label={`Wood of the ${part.component}`}>
      <Typography>
        The {part.component} of {part.species}
        {part.chosen ? ', as chosen' : ''}.{' '}
        {part.neededM3 === 0 ? 'All of it is begun.' : `${formatLumber(part.neededM3, units)} still to be begun`}
        {part.neededM3 > 0 && (part.keptM3 === 0 ? ', none of it kept.' : `, ${formatLumber(part.keptM3, units)} kept.`)}
        {part.neededM3 > 0 && part.lots.length === 0 && ' No lot of it is here.'}
      </Typography>
      {may('lead') && (
        <Stack direction="row" useFlexGap sx={{ flexWrap: 'wrap', gap: 1 }}>
          {able && (
            <Button
              variant="outlined"
              loading={keep.isPending}
              onClick={() => keep.mutate({ id: able.id, version: able.version, orderId, volumeM3: able.keptM3 + lackM3 })}
            >
              Keep {formatLumber(lackM3, units)} of {able.id}, {able.state}
            </Button>
          )}
          {kept.map((lot) => (
            <Button key={lot.id} onClick={() => keep.mutate({ id: lot.id, version: lot.version, orderId, volumeM3: 0 })}>
              Let {lot.id} go
            </Button>
          ))}
        </Stack>
      )}
      {keep.error && <ErrorNote error={keep.error} />}
    </Stack>
  );
}
