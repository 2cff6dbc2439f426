import { StageScreen } from '../parts/StageScreen.tsx';

export default function AssemblyScreen() {
  return <StageScreen stage="assembly" cautions={['solvents']} />;
}
