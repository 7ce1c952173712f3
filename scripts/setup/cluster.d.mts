export declare function runningUrl(folder: string): string | null;
