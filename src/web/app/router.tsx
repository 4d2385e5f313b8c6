import { createBrowserRouter, Navigate } from 'react-router'
import { Failed, NotHere, Waiting } from './Plain'
import { Shell } from './Shell'

/** Fetches a screen; once more after a moment when the network of the plant drops it. */
async function again<T>(fetch: () => Promise<T>): Promise<T> {
  try {
    return await fetch()
  } catch {
    await new Promise((next) => setTimeout(next, 500))
    return fetch()
  }
}

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
        path: '/lines',
        lazy: async () => ({ Component: (await again(() => import('../screens/floor/LinesScreen'))).LinesScreen }),
      },
      {
        path: '/lines/:id',
        lazy: async () => ({ Component: (await again(() => import('../screens/line/LineScreen'))).LineScreen }),
      },
      {
        path: '/jobs/:id',
        lazy: async () => ({ Component: (await job()).JobScreen }),
        children: [
          { index: true, element: <Navigate to="read" replace /> },
          {
            path: 'line',
            lazy: async () => ({ Component: (await again(() => import('../kinds/train/line/JobLine'))).JobLine }),
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
            lazy: async () => ({ Component: (await again(() => import('../kinds/train/read/ReadStep'))).ReadStep }),
          },
          {
            path: 'move',
            lazy: async () => ({ Component: (await again(() => import('../kinds/train/move/MoveStep'))).MoveStep }),
          },
        ],
      },
      { path: '*', element: <NotHere /> },
    ],
  },
])
