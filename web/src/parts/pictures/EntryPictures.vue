<script setup lang="ts">
import type { EntryPicture } from '@hollow-bell/contract';
import { computed, ref, useTemplateRef } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { isWaiting, useOutbox } from '../../stores/outbox.ts';
import { pictureAddress, usePictures } from '../../stores/pictures.ts';
import { asEntryPicture } from './smallPicture.ts';

/** The pictures on one entry, to be looked at, added to and taken off. */
const props = defineProps<{ entryId: string; of: string }>();
const store = usePictures();
const outbox = useOutbox();
const { refusal, busy, attempt } = useAttempt({ isForm: false });
const taker = useTemplateRef<HTMLInputElement>('taker');
const removed = ref<EntryPicture | null>(null);
const pictures = computed(() => store.on(props.entryId));
const isOnItsWay = computed(() =>
  outbox.parcels.some((parcel) => isWaiting(parcel) && parcel.events.some(({ id }) => id === props.entryId)),
);

async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const [file] = input.files ?? [];
  if (file === undefined) return;
  await attempt(async () => store.put(props.entryId, await asEntryPicture(file)), { isWhole: false });
  input.value = '';
}
async function takeOff(picture: EntryPicture): Promise<void> {
  if (await attempt(() => store.takeOff(picture.id, true), { isWhole: false })) removed.value = picture;
}
async function putBack(): Promise<void> {
  const picture = removed.value;
  if (picture !== null && (await attempt(() => store.takeOff(picture.id, false), { isWhole: false }))) removed.value = null;
}
</script>

<template>
  <section class="pictures" aria-label="Pictures">
    <ul v-if="pictures.length > 0">
      <li v-for="(picture, i) in pictures" :key="picture.id">
        <a :href="pictureAddress(picture)" target="_blank" rel="noopener"
          ><img :src="pictureAddress(picture)" :alt="`Picture ${i + 1} of ${of}`"
        /></a>
        <button type="button" class="link" :aria-label="`Take picture ${i + 1} off`" :disabled="busy" @click="takeOff(picture)">
          take off
        </button>
      </li>
    </ul>
    <p v-if="removed !== null" class="small" role="status">
      A picture was taken off. <button type="button" class="link" @click="putBack">Put it on again</button>
    </p>
    <p v-if="isOnItsWay" class="small quiet">This entry is on its way still; a picture can be put on it once it is written.</p>
    <p v-else class="small">
      <button type="button" class="link" :disabled="busy" @click="taker?.click()">
        {{ pictures.length === 0 ? 'Put a picture on it' : 'Another picture' }}
      </button>
      <input ref="taker" type="file" accept="image/*" hidden @change="take" />
      <span v-if="busy" class="quiet" role="status"> making it small…</span>
    </p>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </section>
</template>

<style scoped>
.pictures {
  display: grid;
  gap: 4px;
}

ul {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  justify-items: start;
}

img {
  display: block;
  width: 150px;
  height: 110px;
  object-fit: cover;
}

@media (max-width: 900px) {
  .link {
    min-height: 44px;
  }
}
</style>
