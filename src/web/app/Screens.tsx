import type { ComponentType } from 'react'
import { Navigate, Route, Routes, useLocation, useParams } from 'react-router'
import { KindStep } from '../job/frame/KindStep'
import { jobPath, type Step, stepPaths, steps } from '../job/steps'
import { loadKinds } from '../kinds/load'
import { NotHere, ScreenBoundary, Waiting } from './Plain'
import { part } from './part'
import { Shell } from './Shell'

/** A screen in a chunk of its own, fetched when it is first shown. */
function screen<K extends string>(fetch: () => Promise<Record<K, ComponentType>>, name: K) {
  return part(async () => (await fetch())[name], Waiting)
}

/** A screen that lists or makes lines of any kind: waits for what all kinds can do. */
function screenOfKinds<K extends string>(fetch: () => Promise<Record<K, ComponentType>>, name: K) {
  return part(async () => (await Promise.all([fetch(), loadKinds()]))[0][name], Waiting)
}

const Floor = screen(() => import('../screens/floor/FloorScreen'), 'FloorScreen')
const NewJob = screenOfKinds(() => import('../screens/floor/NewJobScreen'), 'NewJobScreen')
const Kit = screen(() => import('../screens/kit/KitScreen'), 'KitScreen')
const Site = screenOfKinds(() => import('../screens/site/SiteScreen'), 'SiteScreen')
const Lines = screenOfKinds(() => import('../screens/floor/LinesScreen'), 'LinesScreen')
const Line = screenOfKinds(() => import('../screens/line/LineScreen'), 'LineScreen')
const Logbook = screenOfKinds(() => import('../screens/logbook/LogbookScreen'), 'LogbookScreen')
const Account = screen(() => import('../accounts/AccountScreen'), 'AccountScreen')
const People = screen(() => import('../accounts/PeopleScreen'), 'PeopleScreen')
const Practice = screen(() => import('../practice/PracticeScreen'), 'PracticeScreen')
const Lesson = screen(() => import('../practice/LessonScreen'), 'LessonScreen')
const Job = screen(() => import('../job/frame/JobScreen'), 'JobScreen')
const Ready = screen(() => import('../job/ready/ReadyStep'), 'ReadyStep')
const Seat = screen(() => import('../job/seat/SeatStep'), 'SeatStep')
const Sign = screen(() => import('../job/sign/SignStep'), 'SignStep')
const Prove = screen(() => import('../job/prove/ProveStep'), 'ProveStep')

/** An address of before, on a tag, in a calendar or a bookmark, leads on to the step's address of now. */
function LedOn({ step }: { step: Step }) {
  const { id = '' } = useParams()
  const { search } = useLocation()
  return <Navigate to={jobPath(id, step) + search} replace />
}

/** Which screen an address shows. */
export function Screens() {
  return (
    <ScreenBoundary>
      <Routes>
        <Route element={<Shell />}>
          <Route path="/" element={<Floor />} />
          <Route path="/new" element={<NewJob />} />
          <Route path="/kit" element={<Kit />} />
          <Route path="/site" element={<Site />} />
          <Route path="/lines" element={<Lines />} />
          <Route path="/lines/:id" element={<Line />} />
          <Route path="/lines/:id/logbook" element={<Logbook />} />
          <Route path="/account" element={<Account />} />
          <Route path="/accounts" element={<People />} />
          <Route path="/people" element={<Navigate to="/accounts" replace />} />
          <Route path="/practice" element={<Practice />} />
          <Route path="/practice/:lesson" element={<Lesson />} />
          <Route path="/jobs/:id" element={<Job />}>
            <Route index element={<Navigate to={stepPaths.read} replace />} />
            <Route path={stepPaths.line} element={<KindStep step="line" />} />
            <Route path={stepPaths.ready} element={<Ready />} />
            <Route path={stepPaths.seat} element={<Seat />} />
            <Route path={stepPaths.read} element={<KindStep step="read" />} />
            <Route path={stepPaths.move} element={<KindStep step="move" />} />
            <Route path={stepPaths.prove} element={<Prove />} />
            <Route path={stepPaths.sign} element={<Sign />} />
            {steps.map(({ step }) =>
              step === stepPaths[step] ? null : <Route key={step} path={step} element={<LedOn step={step} />} />,
            )}
          </Route>
          <Route path="*" element={<NotHere />} />
        </Route>
      </Routes>
    </ScreenBoundary>
  )
}
