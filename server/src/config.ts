import { z } from 'zod';

/** How long a request may take to arrive. */
export const REQUEST_MS = 30_000;

const LOOPBACK = ['127.0.0.1', '::1', 'localhost'];

const configSchema = z.object({
  host: z
    .string()
    .refine(
      (host) => LOOPBACK.includes(host),
      'HOST is this machine alone (127.0.0.1); to be heard in the house, start with “--house”, which asks a passphrase of everybody.',
    ),
  port: z.coerce.number().int().min(0).max(65_535),
  databaseUrl: z.url({ protocol: /^postgres(ql)?$/ }),
  /** Folder of the built web app; none while developing. */
  webRoot: z.string().optional(),
  logLevel: z.enum(['silent', 'error', 'warn', 'info', 'debug']),
  /** The address that a proxy in front of this program goes by; then everybody comes from outside. */
  behindProxy: z
    .url({ protocol: /^https$/, error: 'BEHIND_PROXY is the address that the proxy goes by, as https://mead.example.' })
    .optional(),
  /** Whose word on who asks is taken. */
  trustProxy: z.string().min(1).optional(),
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
