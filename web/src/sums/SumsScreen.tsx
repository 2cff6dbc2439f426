import { Box, List, ListItemButton, ListSubheader, Typography } from '@mui/material';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { Answer } from '../parts/Answer.tsx';
import { Empty } from '../parts/Screen.tsx';
import { FRET_SUMS } from './frets.tsx';
import { MACHINE_SUMS } from './machines.tsx';
import { SHOP_SUMS } from './shop.tsx';
import { Sum } from './Sum.tsx';
import { WOOD_SUMS } from './wood.tsx';

const GROUPS = [
  ['Wood', WOOD_SUMS],
  ['Fingerboard', FRET_SUMS],
  ['Machines and rigs', MACHINE_SUMS],
  ['Finish, fit and strings', SHOP_SUMS],
] as const;

/** The calculators on their own, each with its formula, its source and an address that keeps what was typed. */
export default function SumsScreen() {
  const { sum: id } = useParams();
  const all = GROUPS.flatMap(([, sums]) => sums);
  const chosen = id === undefined ? all[0] : all.find((s) => s.id === id);
  const title = chosen?.title ?? 'Bench sums';
  useEffect(() => {
    document.title = `${title} · Ample Crane`;
  }, [title]);
  return (
    <>
      <Typography variant="h1" sx={{ mb: 1 }}>
        Bench sums
      </Typography>
      <Answer>Each sum stands alone: change a figure and the answer follows; its address keeps what you typed.</Answer>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '240px minmax(0, 1fr)' }, gap: 3 }}>
        <Box component="nav" aria-label="Sums">
          {GROUPS.map(([name, sums]) => (
            <List
              key={name}
              dense
              component="div"
              subheader={
                <ListSubheader component="div" disableGutters sx={{ bgcolor: 'transparent', position: 'static' }}>
                  {name}
                </ListSubheader>
              }
            >
              {sums.map((s) => (
                <ListItemButton key={s.id} component={Link} to={`/sums/${s.id}`} selected={s.id === chosen?.id}>
                  {s.title}
                </ListItemButton>
              ))}
            </List>
          ))}
        </Box>
        {chosen ? <Sum key={chosen.id} sum={chosen} /> : <Empty>There is no such sum.</Empty>}
      </Box>
    </>
  );
}
