<script setup lang="ts">
import type { Backup, Backups } from '@hollow-bell/contract';
import { onMounted, ref } from 'vue';
import { api } from '../../api/client.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';

const { refusal, busy, attempt } = useAttempt();
const { show } = useReader();
const kept = ref<Backups | null>(null);
const WHY: Record<Backup['why'], string> = {
  daily: 'of the day',
  'by-hand': 'by hand',
  'before-migration': 'before a newer program changed it',
  'before-restore': 'before another was read back',
};
const MB = 1e6;
const size = (bytes: number): string => `${new Intl.NumberFormat(undefined, { maximumSignificantDigits: 2 }).format(bytes / MB)} MB`;
const set = (answer: Promise<Backups>): Promise<boolean> =>
  attempt(async () => {
    kept.value = await answer;
  });
onMounted(() => set(api.backups()));
</script>

<template>
  <section class="backups" aria-label="Backups" data-test="backups">
    <h2>Backups</h2>
    <template v-if="kept?.isKept">
      <p class="quiet">
        One a day while Hollow Bell runs, the seven newest kept, and one before anything that changes all. They lie in
        <span class="mono folder">{{ kept.folder }}</span>: copy one to another machine now and then, for a disk that dies takes them along.
      </p>
      <div><el-button :loading="busy" @click="set(api.makeBackup())">Back up now</el-button></div>
      <ul class="list">
        <li v-for="each in kept.backups" :key="each.name">
          <span
            ><b>{{ show('when', each.at) }}</b> {{ WHY[each.why] }} <span class="small quiet">{{ size(each.bytes) }}</span></span
          >
          <a :href="`/api/backups/${each.name}`" download>Save a copy</a>
        </li>
      </ul>
      <p class="small quiet">
        To read one back, stop Hollow Bell and say <code>npm run restore -- FILE</code>; what is there is kept first.
      </p>
    </template>
    <p v-else-if="kept !== null" class="quiet">
      The database is kept elsewhere, by DATABASE_URL; back it up there, or with <code>npm run backup</code>.
    </p>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </section>
</template>

<style scoped>
.backups {
  display: grid;
  gap: 8px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
}

.folder {
  overflow-wrap: anywhere;
}

.list li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
