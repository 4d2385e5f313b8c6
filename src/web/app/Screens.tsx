import type { ComponentType } from 'react'
import { Navigate, Route, Routes } from 'react-router'
import { KindStep } from '../job/frame/KindStep'
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
const Account = screen(() => import('../door/AccountScreen'), 'AccountScreen')
const People = screen(() => import('../door/PeopleScreen'), 'PeopleScreen')
const Practice = screen(() => import('../practice/PracticeScreen'), 'PracticeScreen')
const Lesson = screen(() => import('../practice/LessonScreen'), 'LessonScreen')
const Job = screen(() => import('../job/frame/JobScreen'), 'JobScreen')
const Ready = screen(() => import('../job/ready/ReadyStep'), 'ReadyStep')
const Seat = screen(() => import('../job/seat/SeatStep'), 'SeatStep')
const Sign = screen(() => import('../job/sign/SignStep'), 'SignStep')
const Prove = screen(() => import('../job/prove/ProveStep'), 'ProveStep')

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
          <Route path="/people" element={<People />} />
          <Route path="/practice" element={<Practice />} />
          <Route path="/practice/:lesson" element={<Lesson />} />
          <Route path="/jobs/:id" element={<Job />}>
            <Route index element={<Navigate to="read" replace />} />
            <Route path="line" element={<KindStep step="line" />} />
            <Route path="ready" element={<Ready />} />
            <Route path="seat" element={<Seat />} />
            <Route path="read" element={<KindStep step="read" />} />
            <Route path="move" element={<KindStep step="move" />} />
            <Route path="sign" element={<Sign />} />
            <Route path="prove" element={<Prove />} />
          </Route>
          <Route path="*" element={<NotHere />} />
        </Route>
      </Routes>
    </ScreenBoundary>
  )
}
