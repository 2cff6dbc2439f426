import { StageScreen } from '../parts/StageScreen.tsx';
import { MachiningTabs } from './MachiningTabs.tsx';

export default function MachiningScreen() {
  return <StageScreen stage="machining" cautions={['cutting', 'dust']} tabs={<MachiningTabs />} />;
}
