import { forecast } from '@hollow-bell/core/course';
import type { Forecast, ForecastInput } from '@hollow-bell/core/course';
import { expose } from 'comlink';

let wanted = 0;
/** A turn for messages: a newer wish ends the older one. */
const turn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

const api = {
  /** Null where a newer forecast was asked for meanwhile. */
  forecast: async (input: ForecastInput, report: (share: number) => void): Promise<Forecast | null> => {
    const mine = ++wanted;
    return forecast(input, {
      report,
      mayGoOn: async () => {
        await turn();
        return mine === wanted;
      },
    });
  },
};
export type ForecastWorker = typeof api;

expose(api);
