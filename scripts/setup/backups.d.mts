export declare function writeBackup(url: string, file: string): Promise<void>;
export declare function postgresTool(
  name: string,
  args: readonly string[],
  env?: NodeJS.ProcessEnv,
): Promise<{ isDone: boolean; listed: string; said: string }>;
