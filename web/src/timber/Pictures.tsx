import { Box, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { ask, client, fileForm, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { FileField } from './FileField.tsx';

/** Pictures of a lot and its boards. */
export function Pictures({ card }: { card: View<'LotCardView'> }) {
  const { may, date } = useSession();
  const [boardId, setBoardId] = useState('');
  const add = useCommand((file: File, headers) =>
    ask(
      client.POST('/api/lots/{id}/pictures', {
        params: { path: { id: card.lot.id } },
        ...fileForm(file, { name: file.name.slice(0, 120), boardId: boardId === '' ? null : boardId }),
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
          <TextField select label="Of" value={boardId} onChange={(event) => setBoardId(event.target.value)} sx={{ minWidth: 150 }}>
            <MenuItem value="">the lot</MenuItem>
            {card.boards.map((b) => (
              <MenuItem key={b.id} value={b.id}>
                {b.id}
              </MenuItem>
            ))}
          </TextField>
          <FileField label="Add a picture" name="Picture" accept="image/png,image/jpeg,image/webp" onChoose={(file) => add.mutate(file)} />
          {add.isPending && <Typography>Sending…</Typography>}
        </Stack>
      )}
      {add.error && <ErrorNote error={add.error} />}
    </>
  );
}
