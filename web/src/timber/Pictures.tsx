import { Box, Stack, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, fileForm, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ChoiceIn, idChoices } from '../parts/fields.tsx';
import { FileField } from '../parts/FileField.tsx';

/** Pictures of a lot and its boards. */
export function Pictures({ card }: { card: View<'LotCardView'> }) {
  const { may, date } = useSession();
  const { control, getValues } = useForm({ defaultValues: { boardId: '' } });
  const add = useCommand((file: File, headers) =>
    ask(
      client.POST('/api/lots/{id}/pictures', {
        params: { path: { id: card.lot.id } },
        ...fileForm(file, { name: file.name.slice(0, 120), boardId: getValues('boardId') || null }),
        headers,
      }),
    ),
  );
  return (
    <>
      {card.pictures.length === 0 ? (
        <Typography color="text.secondary">None yet.</Typography>
      ) : (
        <Stack direction="row" spacing={1} useFlexGap sx={{ flexWrap: 'wrap' }}>
          {card.pictures.map((p) => (
            <Box key={p.id} component="figure" sx={{ m: 0, width: 132 }}>
              <a href={`/api/pictures/${p.id}`} target="_blank" rel="noreferrer">
                <img
                  src={`/api/pictures/${p.id}`}
                  alt={p.name}
                  loading="lazy"
                  style={{ width: 132, height: 88, objectFit: 'cover', display: 'block' }}
                />
              </a>
              <Typography component="figcaption" variant="caption" noWrap sx={{ display: 'block' }}>
                {p.boardId ?? card.lot.id} · {date(p.atMs)}
              </Typography>
            </Box>
          ))}
        </Stack>
      )}
      {may('operator') && (
        <Stack direction="row" spacing={1.5} sx={{ mt: 1.5, alignItems: 'center' }}>
          <ChoiceIn
            control={control}
            name="boardId"
            label="Of"
            choices={[['', 'the lot'], ...idChoices(card.boards.map((b) => b.id))]}
            sx={{ minWidth: 150 }}
          />
          <FileField label="Add a picture" name="Picture" accept="image/png,image/jpeg,image/webp" onChoose={(file) => add.mutate(file)} />
          {add.isPending && <Typography>Sending…</Typography>}
        </Stack>
      )}
      {add.error && <ErrorNote error={add.error} />}
    </>
  );
}
