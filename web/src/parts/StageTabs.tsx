import { Tab, Tabs } from '@mui/material';
import { Link, useLocation } from 'react-router';

interface Props {
  label: string;
  /** each screen's path and name, the stage's first screen first */
  tabs: readonly (readonly [path: string, name: string])[];
}

/** The screens of one stage. */
export function StageTabs({ label, tabs }: Props) {
  const { pathname } = useLocation();
  const here = [...tabs].reverse().find(([path]) => pathname.startsWith(path))?.[0] ?? tabs[0]?.[0] ?? '';
  return (
    <Tabs value={here} aria-label={label} variant="scrollable" sx={{ mb: 1.5, minHeight: 40 }}>
      {tabs.map(([path, name]) => (
        <Tab key={path} value={path} label={name} component={Link} to={path} sx={{ minHeight: 40, textTransform: 'none' }} />
      ))}
    </Tabs>
  );
}
