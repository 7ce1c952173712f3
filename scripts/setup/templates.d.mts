export declare const TEMPLATES: { readonly empty: string; readonly demo: string };
export declare function databaseUrl(clusterUrl: string, name: string): string;
export declare function copyOf(clusterUrl: string, template: string, name: string): Promise<string>;
