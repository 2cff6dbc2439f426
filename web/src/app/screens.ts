import { lazy } from 'react';
import { STAGE_PATHS } from './keys.ts';

/** Every screen, split from the shell. */
export const SCREENS = [
  { path: '/', Screen: lazy(() => import('../morning/MorningScreen.tsx')) },
  { path: '/floor', Screen: lazy(() => import('../floor/FloorScreen.tsx')) },
  { path: '/flow', Screen: lazy(() => import('../flow/FlowScreen.tsx')) },
  { path: '/orders', Screen: lazy(() => import('../orders/OrdersScreen.tsx')) },
  { path: '/records', Screen: lazy(() => import('../records/RecordsScreen.tsx')) },
  { path: '/records/:serial', Screen: lazy(() => import('../records/RecordScreen.tsx')) },
  { path: '/setup', Screen: lazy(() => import('../setup/SetupScreen.tsx')) },
  { path: '/setup/routes', Screen: lazy(() => import('../routing/RoutesScreen.tsx')) },
  { path: '/setup/routes/:id', Screen: lazy(() => import('../routing/RouteDeskScreen.tsx')) },
  { path: '/setup/routes/:id/compare', Screen: lazy(() => import('../routing/CompareScreen.tsx')) },
  { path: '/stations', Screen: lazy(() => import('../batches/StationsScreen.tsx')) },
  { path: '/station/:code', Screen: lazy(() => import('../batches/StationScreen.tsx')) },
  { path: '/carriers/:id', Screen: lazy(() => import('../carriers/CarrierScreen.tsx')) },
  { path: '/batches/:id', Screen: lazy(() => import('../batches/CardScreen.tsx')) },
  { path: STAGE_PATHS.woodRoom, Screen: lazy(() => import('../timber/WoodRoomScreen.tsx')) },
  { path: '/lots/:id', Screen: lazy(() => import('../timber/LotScreen.tsx')) },
  { path: STAGE_PATHS.roughMill, Screen: lazy(() => import('../stages/RoughMillScreen.tsx')) },
  { path: STAGE_PATHS.machining, Screen: lazy(() => import('../stages/MachiningScreen.tsx')) },
  { path: STAGE_PATHS.necks, Screen: lazy(() => import('../stages/NecksScreen.tsx')) },
  { path: STAGE_PATHS.bodies, Screen: lazy(() => import('../stages/BodiesScreen.tsx')) },
  { path: STAGE_PATHS.fitting, Screen: lazy(() => import('../fitting/FittingScreen.tsx')) },
  { path: STAGE_PATHS.finishing, Screen: lazy(() => import('../finishing/FinishingScreen.tsx')) },
  { path: STAGE_PATHS.assembly, Screen: lazy(() => import('../stages/AssemblyScreen.tsx')) },
  { path: STAGE_PATHS.finalRest, Screen: lazy(() => import('../stages/FinalRestScreen.tsx')) },
  { path: STAGE_PATHS.dispatch, Screen: lazy(() => import('../dispatch/DispatchScreen.tsx')) },
] as const;
