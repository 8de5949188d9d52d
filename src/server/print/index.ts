export { pdfOf } from './pdf';
