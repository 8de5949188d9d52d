export { Live, type Topic } from './live';
export { live } from './open';
export { closeLive, liveRoutes } from './routes';
