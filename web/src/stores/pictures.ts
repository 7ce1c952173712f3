import type { EntryPicture } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { api } from '../api/client.ts';
import { cellarBase } from '../cellar.ts';
import { loading } from './loading.ts';

/** Where a picture is shown from. */
export const pictureAddress = ({ id }: EntryPicture): string => `${cellarBase}/api/pictures/${id}.jpg`;

/** Pictures on the entries of the batch that is open. */
export const usePictures = defineStore('pictures', () => {
  const of = ref('');
  const all = shallowRef<EntryPicture[]>([]);
  const { load, problem } = loading(async () => {
    const batchId = of.value;
    const { pictures } = await api.pictures(batchId);
    if (batchId === of.value) all.value = pictures;
  });
  async function open(batchId: string): Promise<void> {
    if (batchId !== of.value) all.value = [];
    of.value = batchId;
    await load();
  }
  const on = (entryId: string): EntryPicture[] => all.value.filter((picture) => picture.entryId === entryId);

  /** @param jpeg in base 64 */
  async function put(entryId: string, jpeg: string): Promise<void> {
    all.value = (await api.putPicture(crypto.randomUUID(), entryId, jpeg)).pictures;
  }
  async function takeOff(id: string, isOff: boolean): Promise<void> {
    all.value = (await api.takeOffPicture(id, isOff)).pictures;
  }
  return { open, on, put, takeOff, problem };
});
