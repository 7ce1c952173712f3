<script setup lang="ts">
import { eventSentence } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import MakerDialog from '../fields/MakerDialog.vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import WhenField from '../fields/WhenField.vue';
import SentenceText from '../figures/SentenceText.vue';
import { ACTS } from './acts.ts';
import type { Act, Given } from './acts.ts';

const emit = defineEmits<{ close: [] }>();
const store = useBatch();
const { tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();

const act = ref<Act | null>(null);
const given = ref<Given>({});
const at = ref<number | null>(null);
const groups = computed(() => {
  const open = ACTS.filter(({ isOpen }) => isOpen(store.ledger));
  return [...new Set(open.map(({ group }) => group))].map((group) => ({ group, acts: open.filter((each) => each.group === group) }));
});
function choose(chosen: Act): void {
  act.value = chosen;
  given.value = Object.fromEntries(chosen.asks.map(({ is, name }) => [name, is === 'quantity' ? null : '']));
}
function amountOf(name: string): number | null {
  const value = given.value[name];
  return typeof value === 'number' ? value : null;
}
const isWhole = computed(() =>
  (act.value?.asks ?? []).every(
    ({ name, needed }) => needed !== true || !['', null, undefined].includes(given.value[name] as string | null),
  ),
);
const events = computed(() => (act.value === null || !isWhole.value ? [] : act.value.make(given.value, store.ledger)));
const doubts = computed(() => store.doubtsOf(events.value, at.value ?? store.now));
const about = computed(() => act.value?.about?.(store.ledger, given.value) ?? null);

async function write(): Promise<void> {
  const contents = events.value;
  const told = contents.map((content) => tell(eventSentence(content))).join(', ');
  const when = at.value === null ? {} : { at: at.value };
  if (contents.length > 0 && (await attempt(() => store.write(contents, told, { ...when, isSure: true })))) emit('close');
}
</script>

<template>
  <MakerDialog :title="act === null ? 'What happened?' : act.label" width="min(520px, 94vw)" @close="emit('close')">
    <div v-if="act === null" class="groups">
      <section v-for="{ group, acts } in groups" :key="group">
        <h3>{{ group }}</h3>
        <p class="acts">
          <el-button v-for="each in acts" :key="each.id" @click="choose(each)">{{ each.label }}</el-button>
        </p>
      </section>
    </div>
    <form v-else class="form" @submit.prevent="write">
      <template v-for="ask in act.asks" :key="ask.name">
        <QuantityField
          v-if="ask.is === 'quantity'"
          :model-value="amountOf(ask.name)"
          :kind="ask.kind"
          :label="ask.label"
          :needed="ask.needed === true"
          v-bind="ask.limits === undefined ? {} : { limits: ask.limits }"
          @update:model-value="given[ask.name] = $event"
        />
        <PickList v-else-if="ask.is === 'choice'" v-model="given[ask.name] as string" :label="ask.label" :options="ask.options" />
        <label v-else
          ><span class="small quiet">{{ ask.label }}</span
          ><el-input v-model="given[ask.name] as string" :placeholder="ask.placeholder" maxlength="80"
        /></label>
      </template>
      <WhenField v-model="at" />
      <p v-if="about !== null" class="caution"><SentenceText :sentence="about" /></p>
      <p v-for="(doubt, i) in doubts" :key="i" class="caution" role="status"><SentenceText :sentence="doubt" /></p>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <div class="deeds">
        <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked || events.length === 0">{{
          doubts.length > 0 ? 'It is so, write it' : 'Write it down'
        }}</el-button>
        <el-button @click="act = null">Something else</el-button>
      </div>
    </form>
  </MakerDialog>
</template>

<style scoped>
.form,
.groups {
  display: grid;
  gap: 12px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 4px;
}

.acts :deep(.el-button + .el-button) {
  margin-left: 0;
}

@media (max-width: 720px) {
  .acts :deep(.el-button) {
    min-height: 44px;
  }
}
</style>
