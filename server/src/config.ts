import { z } from 'zod';

const LOOPBACK = ['127.0.0.1', '::1', 'localhost'];

const configSchema = z.object({
  host: z
    .string()
    .refine(
      (host) => LOOPBACK.includes(host),
      'Hollow Bell listens on this machine only (127.0.0.1); listening to a network needs a passphrase, which this version does not have.',
    ),
  port: z.coerce.number().int().min(0).max(65_535),
  databaseUrl: z.url({ protocol: /^postgres(ql)?$/ }),
  /** Folder of the built web app; none while developing. */
  webRoot: z.string().optional(),
  logLevel: z.enum(['silent', 'error', 'warn', 'info', 'debug']),
  /** Requests a minute from one address. */
  requestsPerMinute: z.number().int().positive(),
});

export type Config = Readonly<z.infer<typeof configSchema>>;
export type ConfigInput = z.input<typeof configSchema>;

/** Checked and frozen configuration. Throws with a sentence per fault. */
export function readConfig(input: ConfigInput): Config {
  const parsed = configSchema.safeParse(input);
  if (!parsed.success) throw new Error(parsed.error.issues.map((issue) => issue.message).join(' '));
  return Object.freeze(parsed.data);
}
