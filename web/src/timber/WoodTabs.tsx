import { StageTabs } from '../parts/StageTabs.tsx';

const TABS = [
  ['/wood-room', 'Lots'],
  ['/wood-room/walk', 'Walk the racks'],
  ['/wood-room/air', 'Air'],
  ['/wood-room/stock', 'Stock'],
  ['/wood-room/cutting', 'Cutting'],
] as const;

/** The wood room's own screens. */
export const WoodTabs = () => <StageTabs label="Wood room" tabs={TABS} />;
