import { createBrowserRouter, Navigate } from 'react-router'
import { KindStep } from '../job/frame/KindStep'
import { again } from './again'
import { Failed, NotHere, Waiting } from './Plain'
import { Shell } from './Shell'

const job = () => again(() => import('../job/frame/JobScreen'))

/** One lazy chunk a screen. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Failed />,
    hydrateFallbackElement: <Waiting />,
    children: [
      {
        path: '/',
        lazy: async () => ({ Component: (await again(() => import('../screens/floor/FloorScreen'))).FloorScreen }),
      },
      {
        path: '/new',
        lazy: async () => ({ Component: (await again(() => import('../screens/floor/NewJobScreen'))).NewJobScreen }),
      },
      {
        path: '/kit',
        lazy: async () => ({ Component: (await again(() => import('../screens/kit/KitScreen'))).KitScreen }),
      },
      {
        path: '/site',
        lazy: async () => ({ Component: (await again(() => import('../screens/site/SiteScreen'))).SiteScreen }),
      },
      {
        path: '/lines',
        lazy: async () => ({ Component: (await again(() => import('../screens/floor/LinesScreen'))).LinesScreen }),
      },
      {
        path: '/lines/:id',
        lazy: async () => ({ Component: (await again(() => import('../screens/line/LineScreen'))).LineScreen }),
      },
      {
        path: '/lines/:id/logbook',
        lazy: async () => ({
          Component: (await again(() => import('../screens/logbook/LogbookScreen'))).LogbookScreen,
        }),
      },
      {
        path: '/jobs/:id',
        lazy: async () => ({ Component: (await job()).JobScreen }),
        children: [
          { index: true, element: <Navigate to="read" replace /> },
          {
            path: 'line',
            element: <KindStep step="line" />,
          },
          {
            path: 'ready',
            lazy: async () => ({ Component: (await again(() => import('../job/ready/ReadyStep'))).ReadyStep }),
          },
          {
            path: 'seat',
            lazy: async () => ({ Component: (await again(() => import('../job/seat/SeatStep'))).SeatStep }),
          },
          {
            path: 'read',
            element: <KindStep step="read" />,
          },
          {
            path: 'move',
            element: <KindStep step="move" />,
          },
          {
            path: 'sign',
            lazy: async () => ({ Component: (await again(() => import('../job/sign/SignStep'))).SignStep }),
          },
          {
            path: 'prove',
            lazy: async () => ({ Component: (await again(() => import('../job/prove/ProveStep'))).ProveStep }),
          },
        ],
      },
      { path: '*', element: <NotHere /> },
    ],
  },
])
