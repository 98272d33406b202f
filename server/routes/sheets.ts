import { Router } from 'express';
import { calendarRequestSchema } from '@/contracts/sheets-api';
import { writeCalendar } from '@/sheets/write-calendar';
import { checked } from '../http';

/** `/api/sheets`: what is due, as a calendar. */
export function sheetRoutes(): Router {
  const router = Router();
  router.post('/calendar', (request, response) => {
    const calendar = checked(calendarRequestSchema, request.body);
    response.set('content-type', 'text/calendar; charset=utf-8').send(writeCalendar(calendar, new Date()));
  });
  return router;
}
