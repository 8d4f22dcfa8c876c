export * from './careVisits';
