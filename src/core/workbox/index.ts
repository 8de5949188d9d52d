export { cheapest, type Cover, type Covered } from './cover';
export { serves } from './serves';
export { workbox, workboxSchema, WORKBOX_VERSION, type BoxedAdapter, type Workbox } from './workbox';
export { WORKBOX_PROBLEMS } from './problems';
