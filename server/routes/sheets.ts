import { Router, type Response } from 'express';
import { calendarRequestSchema, orderPdfRequestSchema, sheetPdfRequestSchema } from '@/contracts/sheets-api';
import { writeCalendar } from '@/sheets/write-calendar';
import { writeOrderPdf } from '@/sheets/write-order-pdf';
import { writePdf } from '@/sheets/write-pdf';
import { checked } from '../http';

/** `/api/sheets`: what is drawn or worked out elsewhere, written as PDF or as a calendar. */
export function sheetRoutes(): Router {
  const router = Router();
  router.post('/cut', async (request, response) => {
    const { drawing, paper } = checked(sheetPdfRequestSchema, request.body);
    sendPdf(response, await writePdf(drawing, paper));
  });
  router.post('/order', async (request, response) => {
    const { order, paper } = checked(orderPdfRequestSchema, request.body);
    sendPdf(response, await writeOrderPdf(order, paper));
  });
  router.post('/calendar', (request, response) => {
    const calendar = checked(calendarRequestSchema, request.body);
    response.set('content-type', 'text/calendar; charset=utf-8').send(writeCalendar(calendar, new Date()));
  });
  return router;
}

const sendPdf = (response: Response, pdf: Uint8Array): void =>
  void response.set('content-type', 'application/pdf').send(Buffer.from(pdf));
