import { Tab, Tabs } from '@mui/material';
import { Link, useLocation } from 'react-router';

const TABS = [
  ['/wood-room', 'Lots'],
  ['/wood-room/walk', 'Walk the racks'],
  ['/wood-room/air', 'Air'],
  ['/wood-room/stock', 'Stock'],
  ['/wood-room/cutting', 'Cutting'],
] as const;

/** The wood room's own screens. */
export function WoodTabs() {
  const { pathname } = useLocation();
  const here = [...TABS].reverse().find(([path]) => pathname.startsWith(path))?.[0] ?? '/wood-room';
  return (
    <Tabs value={here} aria-label="Wood room" variant="scrollable" sx={{ mb: 1.5, minHeight: 40 }}>
      {TABS.map(([path, name]) => (
        <Tab key={path} value={path} label={name} component={Link} to={path} sx={{ minHeight: 40, textTransform: 'none' }} />
      ))}
    </Tabs>
  );
}
