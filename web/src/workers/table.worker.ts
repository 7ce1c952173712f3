import { headOf } from '@hollow-bell/tell/table-head';
import { expose } from 'comlink';

const api = { headOf };
export type TableWorker = typeof api;

expose(api);
