import { Box, List, ListItem, Typography } from '@mui/material';
import type { View } from '../ground/api.ts';

const LISTS = [
  ['lookFor', 'Look for'],
  ['looksBadNow', 'Looks bad now, and is as it should be'],
  ['endsPiece', 'Ends the piece'],
] as const;

/** How the step is done, as its sheet says: in order, with pictures, and what to look for. */
export function SheetPanel({ sheet, step }: { sheet: View<'SheetView'>; step: string }) {
  const told = LISTS.filter(([key]) => sheet[key].length > 0);
  if (sheet.instructions.length + sheet.pictures.length + told.length === 0) return null;
  return (
    <Box component="section" aria-label={`Step sheet of ${step}`} sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5 }}>
      <Typography variant="h3">Step sheet</Typography>
      {sheet.instructions.length > 0 && (
        <List component="ol" dense disablePadding sx={{ listStyle: 'decimal', pl: 3 }}>
          {sheet.instructions.map((line) => (
            <ListItem key={line} sx={{ display: 'list-item', px: 0, py: 0.25 }}>
              {line}
            </ListItem>
          ))}
        </List>
      )}
      {sheet.pictures.length > 0 && (
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 260px), 1fr))', gap: 1.5, my: 1.5 }}>
          {sheet.pictures.map(({ id, caption }) => (
            <Box key={id} component="figure" sx={{ m: 0 }}>
              <a href={pictureOf(id)} target="_blank" rel="noreferrer">
                <img src={pictureOf(id)} alt={caption} style={{ width: '100%', display: 'block', borderRadius: 4 }} />
              </a>
              <Typography component="figcaption" variant="body2" color="text.secondary">
                {caption}
              </Typography>
            </Box>
          ))}
        </Box>
      )}
      {told.map(([key, title]) => (
        <Box key={key} sx={{ mt: 1 }}>
          <Typography sx={{ fontWeight: 600 }}>{title}</Typography>
          <List dense disablePadding sx={{ listStyle: 'disc', pl: 3 }}>
            {sheet[key].map((line) => (
              <ListItem key={line} sx={{ display: 'list-item', px: 0, py: 0 }}>
                {line}
              </ListItem>
            ))}
          </List>
        </Box>
      ))}
    </Box>
  );
}

export const pictureOf = (id: string): string => `/api/sheet-pictures/${id}`;
