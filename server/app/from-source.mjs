// From the sources, for tests and while working: the loader is registered in the thread first.
import { register } from 'tsx/esm/api';

register();
const { default: work } = await import('./worker.ts');
export default work;
