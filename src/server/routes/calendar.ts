import { Hono } from 'hono'
import ical from 'ical-generator'
import { dueJobs } from '../db/jobs'
import { describeOperation } from '../openapi'
import type { Site } from '../site'

/** What is due as a calendar: a file to save, and an address that other calendars can be told to look at. */
export const calendarRoutes = ({ store: { db } }: Site) =>
  new Hono().get(
    '/due.ics',
    describeOperation('Due jobs as a calendar.', { 200: { says: 'The calendar.', type: 'text/calendar' } }),
    async (c) => {
      const calendar = ical({ name: 'Vane Peg', prodId: { company: 'Vane Peg', product: 'due jobs', language: 'EN' } })
      for (const { id, number, lineName, area, title, dueOn, assignedTo } of await dueJobs(db)) {
        if (!dueOn) continue
        calendar.createEvent({
          id: `${id}@vane-peg`,
          start: new Date(`${dueOn}T00:00:00`),
          allDay: true,
          // the same list is the same file: it is no news that it was asked for
          stamp: new Date(`${dueOn}T00:00:00Z`),
          summary: [lineName, title].filter(Boolean).join(': '),
          description: [`Job ${number}`, assignedTo].filter(Boolean).join(', '),
          location: area,
          url: new URL(`/jobs/${id}/pre-checks`, c.req.url).href,
        })
      }
      return c.body(calendar.toString(), 200, { 'Content-Type': 'text/calendar; charset=utf-8' })
    },
  )
