import type { Standing } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { api } from '../api/client.ts';
import { loading } from './loading.ts';

/** Every vessel that stands filled, with what it asks for. */
export const useRounds = defineStore('rounds', () => {
  const standing = shallowRef<Standing[]>([]);
  return {
    standing,
    ...loading(async () => {
      standing.value = (await api.rounds()).standing;
    }),
  };
});
