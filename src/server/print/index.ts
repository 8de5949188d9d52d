export { pdfOf } from './pdf';
export { notAsked, paperAnswer, paperAsked } from './page';
