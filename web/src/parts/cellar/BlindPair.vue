<script setup lang="ts">
import { ref } from 'vue';
import TastingForm from './TastingForm.vue';

const props = defineProps<{ pair: readonly { id: string; name: string }[] }>();
/** Which stands left: drawn when the pourer looks, and shown to nobody else until both are written. */
const order = ref<{ id: string; name: string }[] | null>(null);
const isPoured = ref(false);
const written = ref<string[]>([]);
function draw(): void {
  const [draft] = crypto.getRandomValues(new Uint8Array(1));
  order.value = (draft ?? 0) % 2 === 0 ? [...props.pair] : [...props.pair].reverse();
  isPoured.value = false;
  written.value = [];
}
</script>

<template>
  <div class="blind">
    <button v-if="order === null" type="button" class="link" @click="draw">Taste them blind</button>
    <template v-else-if="!isPoured">
      <p>
        For the one who pours, alone: left <b>{{ order[0]?.name }}</b>, right <b>{{ order[1]?.name }}</b>.
      </p>
      <el-button @click="isPoured = true">Poured; hide it</el-button>
    </template>
    <template v-else>
      <div v-for="(glass, i) in order" :key="glass.id">
        <h3>{{ i === 0 ? 'Left glass' : 'Right glass' }}{{ written.length === 2 ? `: ${glass.name}` : '' }}</h3>
        <TastingForm
          v-if="!written.includes(glass.id)"
          :batch-id="glass.id"
          is-bottled
          is-blind
          @written="written = [...written, glass.id]"
        />
        <p v-else class="quiet">written</p>
      </div>
      <button type="button" class="link" @click="order = null">Done</button>
    </template>
  </div>
</template>

<style scoped>
.blind {
  display: grid;
  gap: 8px;
  margin-top: 10px;
}

h3 {
  font-size: 14px;
}
</style>
