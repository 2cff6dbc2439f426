import { StageTabs } from '../parts/StageTabs.tsx';

const TABS = [
  ['/machining', 'Loads'],
  ['/machining/programs', 'Programs'],
  ['/machining/cutters', 'Cutters'],
  ['/machining/dimensions', 'Dimensions'],
] as const;

/** Machining's own screens. */
export const MachiningTabs = () => <StageTabs label="Machining" tabs={TABS} />;
