export { aidClasses } from './aidClasses';
export { judgedAid } from './aidsOf';
export { waterRatioOf, yieldDifference, yieldOf } from './mixOf';
export { ordersOf } from './orders';
