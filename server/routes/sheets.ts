import { Router, type Response } from 'express';
import { orderPdfRequestSchema, sheetPdfRequestSchema } from '@/contracts/sheets-api';
import { writeOrderPdf } from '@/sheets/write-order-pdf';
import { writePdf } from '@/sheets/write-pdf';
import { checked } from '../http';

/** `/api/sheets`: what is drawn or worked out elsewhere, written as PDF. */
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
  return router;
}

const sendPdf = (response: Response, pdf: Uint8Array): void =>
  void response.set('content-type', 'application/pdf').send(Buffer.from(pdf));
