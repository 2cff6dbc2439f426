import { useLoads } from '../ground/queries.ts';
import { Caution } from '../parts/Caution.tsx';
import { ClassedWork } from '../parts/ClassedWork.tsx';
import { Screen } from '../parts/Screen.tsx';
import { StageWork } from '../parts/StageScreen.tsx';
import { LoadsPlan } from './LoadsPlan.tsx';
import { MachiningTabs } from './MachiningTabs.tsx';
import { ordersIn } from './loadProblem.ts';

/** What to load next on every machine, and why; below it what is there. */
export default function MachiningScreen() {
  const query = useLoads();
  return (
    <Screen title="Machining" query={query}>
      {(loads) => (
        <>
          <MachiningTabs />
          <LoadsPlan key={JSON.stringify(ordersIn(loads))} loads={loads} />
          <ClassedWork stage="machining" />
          <StageWork stage="machining" />
          <Caution kinds={['cutting', 'dust']} />
        </>
      )}
    </Screen>
  );
}
