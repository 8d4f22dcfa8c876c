export { JobForm as default } from '../../jobs/JobForm';
