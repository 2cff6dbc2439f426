import { StageScreen } from '../parts/StageScreen.tsx';

export default function MachiningScreen() {
  return <StageScreen stage="machining" cautions={['cutting', 'dust']} />;
}
