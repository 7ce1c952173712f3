import { reactive, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';

type Values = Record<string, number | string | null>;
/** A number field may be emptied; a choice always has a value. */
type Linked<V extends Values> = { [K in keyof V]: V[K] extends string ? string : number | null };

/** Fields whose values stand in the address, so that an answer can be kept as a bookmark or sent to somebody. SI throughout. */
export function useLinked<V extends Values>(defaults: V): Linked<V> {
  const route = useRoute();
  const router = useRouter();
  const values = reactive({ ...defaults }) as Linked<V>;
  for (const [name, fallback] of Object.entries(defaults)) {
    const given = route.query[name];
    if (typeof given !== 'string') continue;
    const read = typeof fallback === 'string' ? given : Number(given);
    if (typeof read === 'string' || Number.isFinite(read)) Object.assign(values, { [name]: read });
  }
  watch(
    (): Values => ({ ...values }),
    (now) => {
      const query = Object.fromEntries(
        Object.entries(now).flatMap(([name, value]) =>
          value === null ? [] : [[name, typeof value === 'number' ? String(Number(value.toPrecision(6))) : value]],
        ),
      );
      void router.replace({ query });
    },
  );
  return values;
}
