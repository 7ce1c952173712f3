<script setup lang="ts">
import type { ShelvedBatch } from '@hollow-bell/contract';
import { useReader } from '../../composables/useReader.ts';
import BottleOutForm from './BottleOutForm.vue';
import NextTime from './NextTime.vue';
import TastingList from './TastingList.vue';

/** What went into these bottles, for ever; what was said of them; what to do otherwise. */
defineProps<{ each: ShelvedBatch }>();
const emit = defineEmits<{ written: []; again: []; keep: [] }>();
const { show, money } = useReader();
</script>

<template>
  <div class="detail" data-test="shelf-detail">
    <div class="stack">
      <h2>
        {{ each.name }}<span class="quiet">, {{ each.style }}</span>
      </h2>
      <dl class="facts">
        <dt>alcohol</dt>
        <dd>{{ show('abv', each.shelf.went.abv) }}</dd>
        <dt>went in at</dt>
        <dd>{{ show('sg', each.shelf.went.sg) }}</dd>
        <dt>sugar</dt>
        <dd>{{ show('gPerL', each.shelf.went.sugarGPerL) }}</dd>
        <dt>gas</dt>
        <dd>
          {{ each.shelf.went.gas === null ? 'still' : `${show('volumes', each.shelf.went.gas.high)}, ${each.shelf.went.gas.word}` }}
        </dd>
        <dt>sulfite given</dt>
        <dd>{{ show('mgPerL', each.shelf.went.so2MgPerL) }}</dd>
        <dt>names on the label</dt>
        <dd>{{ each.shelf.allergens.length === 0 ? 'none' : each.shelf.allergens.join(', ') }}</dd>
        <dt>a bottle cost</dt>
        <dd data-test="cost">
          {{ each.cost === null ? 'unknown' : money(each.cost.perBottle)
          }}<span v-if="each.cost !== null && each.cost.unpriced.length > 0" class="small quiet">
            without {{ each.cost.unpriced.join(', ') }}</span
          >
        </dd>
        <dt>drink</dt>
        <dd>
          from {{ show('day', each.shelf.window.restsUntil) }}, best {{ show('day', each.shelf.window.bestFrom) }} to
          {{ show('day', each.shelf.window.bestTo) }}, by
          {{ show('day', each.shelf.window.drinkBy) }}
        </dd>
        <template v-if="each.shelf.place !== null"
          ><dt>lies</dt>
          <dd>{{ each.shelf.place }}</dd></template
        >
      </dl>
      <BottleOutForm :key="each.id" :batch-id="each.id" :left="each.shelf.left" @written="emit('written')" />
      <p class="small">
        <RouterLink :to="{ name: 'batch', params: { id: each.id } }">Its record</RouterLink> ·
        <RouterLink :to="{ name: 'label', params: { id: each.id } }">Labels</RouterLink> ·
        <button type="button" class="link" @click="emit('again')">Make it again</button> ·
        <button type="button" class="link" @click="emit('keep')">Keep as a recipe</button>
      </p>
    </div>
    <div class="stack">
      <h2>What was said of it</h2>
      <TastingList :tastings="each.shelf.tastings" />
    </div>
    <NextTime
      :key="each.id"
      :batch-id="each.id"
      :notes="each.shelf.nextTime"
      :wants-verdict="each.shelf.wantsVerdict"
      @written="emit('written')"
    />
  </div>
</template>

<style scoped>
.detail {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px 34px;
}

.facts {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 2px 16px;
}

dt {
  color: var(--soot-2);
}

@media (max-width: 900px) {
  .detail {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
