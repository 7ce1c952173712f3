<script setup lang="ts">
import type { Brought, CellarFile, Imported } from '@hollow-bell/contract';
import { computed, ref } from 'vue';
import { api } from '../../api/client.ts';
import { cellarBase } from '../../cellar.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import MakerDialog from '../fields/MakerDialog.vue';

const { refusal, busy, attempt } = useAttempt();
const chosen = ref<{ name: string; file: CellarFile } | null>(null);
const trial = ref<Imported | null>(null);
const brought = ref('');
/** More than so much is a backup’s work. */
const LIMIT_MB = 60;
const SHOWN = 200;

const DOES: Record<Brought['does'], string> = {
  'comes in': 'comes in',
  grows: 'is here, and grows by',
  'is here already': 'is here already',
  'stays as it is here': 'differs; stays as it is here',
};
const count = (entries: number): string => (entries === 1 ? 'one entry' : `${entries} entries`);
function told({ does, entries }: Brought): string {
  if (does === 'grows') return `${DOES.grows} ${entries === 0 ? 'what was sent, planned or put on it' : count(entries)}`;
  return does === 'comes in' && entries > 0 ? `${DOES[does]}, ${count(entries)}` : DOES[does];
}
const changes = computed(() => trial.value?.brought.filter(({ does }) => does === 'comes in' || does === 'grows').length ?? 0);

async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (file === undefined) return;
  brought.value = '';
  refusal.value = '';
  if (file.size > LIMIT_MB * 1e6) {
    refusal.value = `That file is larger than ${LIMIT_MB} MB; a cellar of that size moves as a backup.`;
    return;
  }
  const text = await file.text();
  try {
    chosen.value = { name: file.name, file: JSON.parse(text.replace(/^\uFEFF/, '')) as CellarFile };
  } catch {
    refusal.value = 'That file is no JSON; a cellar goes out of this page as JSON, and comes in again so.';
    return;
  }
  await attempt(async () => {
    if (chosen.value !== null) trial.value = await api.importFile(chosen.value.file, true);
  });
}
const close = (): void => {
  trial.value = null;
  chosen.value = null;
};
async function bring(): Promise<void> {
  const done = await attempt(async () => {
    if (chosen.value !== null) await api.importFile(chosen.value.file, false);
  });
  if (!done) return;
  brought.value = `${chosen.value?.name ?? 'It'} has come in.`;
  close();
}
</script>

<template>
  <section class="files" aria-label="Files" data-test="files">
    <h2>Out and in</h2>
    <p class="quiet">
      Everything that is on record, in open formats: the cellar as a file that comes in again, tables for any spreadsheet, pages to read,
      dates for a calendar.
    </p>
    <p class="row">
      <a :href="`${cellarBase}/api/files/everything.zip`" class="place-link" download>Everything, as a ZIP</a>
      <a :href="`${cellarBase}/api/files/cellar.json`" class="place-link" download>The cellar as one file</a>
      <label class="link no-print"
        >Bring a file in… <input type="file" accept=".json,application/json" class="visually-hidden" @change="choose"
      /></label>
    </p>
    <p v-if="brought !== ''" class="quiet" role="status">{{ brought }}</p>
    <p v-if="refusal !== '' && trial === null" class="refusal" role="alert">{{ refusal }}</p>
    <MakerDialog v-if="trial !== null && chosen !== null" :title="`From ${chosen.name}`" width="min(620px, 94vw)" @close="close">
      <p v-if="changes === 0">All of it is here already; nothing would change.</p>
      <p v-else>Nothing has changed yet. This is what would:</p>
      <ul class="brought small">
        <li v-for="(each, i) in trial.brought.slice(0, SHOWN)" :key="i">
          <span class="quiet">{{ each.what }}</span> <b>{{ each.name }}</b> {{ told(each) }}
        </li>
        <li v-if="trial.brought.length > SHOWN" class="quiet">and {{ trial.brought.length - SHOWN }} more</li>
      </ul>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <el-button type="primary" :loading="busy" :disabled="changes === 0" @click="bring">Bring it in</el-button>
      <el-button @click="close">Leave it</el-button>
    </MakerDialog>
  </section>
</template>

<style scoped>
.files {
  display: grid;
  gap: 8px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
}

.row {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px 22px;
}

.row label:focus-within {
  outline: 2px solid var(--bronze);
}

.brought {
  display: grid;
  gap: 4px;
  max-height: 46vh;
  margin: 10px 0;
  overflow-y: auto;
}
</style>
