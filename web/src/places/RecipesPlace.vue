<script setup lang="ts">
import { misfitOf, recipeFileShape } from '@hollow-bell/contract';
import type { KeptRecipe } from '@hollow-bell/contract';
import { predictMust, styleOf } from '@hollow-bell/core/must';
import { computed, onMounted, ref } from 'vue';
import { saveFile } from '../api/saveFile.ts';
import AgainForm from '../parts/cellar/AgainForm.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useRecipes } from '../stores/cellar.ts';

const book = useRecipes();
const { show, reader } = useReader();
const { refusal, busy, attempt } = useAttempt();
onMounted(() => book.load());

const sought = ref('');
const openId = ref('');
const seen = computed(() => {
  const word = sought.value.trim().toLowerCase();
  return book.recipes.filter(({ recipe: { name, tags, note, must } }) =>
    [name, note, ...tags, ...must.ingredients.map((each) => each.name)].join(' ').toLowerCase().includes(word),
  );
});
const told = ({ recipe: { must } }: KeptRecipe): string => {
  const figures = predictMust(must);
  return `${styleOf(must, figures.abv.value).name}, ${show('volumeL', figures.volumeL.value)} at ${show('sg', figures.og.value)}, ${show('abv', figures.abv.value)}`;
};
const edited = ref<{ name: string; tags: string; note: string }>({ name: '', tags: '', note: '' });
function open(kept: KeptRecipe): void {
  openId.value = openId.value === kept.recipe.id ? '' : kept.recipe.id;
  edited.value = { name: kept.recipe.name, tags: kept.recipe.tags.join(', '), note: kept.recipe.note };
}
const save = ({ recipe, version }: KeptRecipe): Promise<boolean> =>
  attempt(() =>
    book.put(
      {
        ...recipe,
        name: edited.value.name.trim(),
        note: edited.value.note.trim(),
        tags: edited.value.tags
          .split(',')
          .map((tag) => tag.trim())
          .filter((tag) => tag !== ''),
      },
      version,
    ),
  );
const fileName = (name: string): string => name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').replaceAll(/^-|-$/g, '') || 'recipe';
async function takeOut({ recipe }: KeptRecipe, as: 'json' | 'md'): Promise<void> {
  const { recipeToJson, recipeToMarkdown } = await import('@hollow-bell/tell/recipe');
  if (as === 'json') saveFile(`${fileName(recipe.name)}.json`, 'application/json', recipeToJson(recipe));
  else saveFile(`${fileName(recipe.name)}.md`, 'text/markdown', recipeToMarkdown(recipe, reader.value));
}
async function readIn(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const [file] = input.files ?? [];
  input.value = '';
  if (file === undefined) return;
  await attempt(async () => {
    const { jsonToRecipe } = await import('@hollow-bell/tell/recipe');
    await book.put(
      jsonToRecipe(await file.text(), crypto.randomUUID(), (file) => misfitOf(recipeFileShape, file)),
      0,
    );
  });
}
</script>

<template>
  <section class="book">
    <header>
      <h1>Recipe book</h1>
      <span class="quiet">plans kept without a batch, with what came of each</span>
      <RouterLink :to="{ name: 'cellar' }" class="place-link">Cellar</RouterLink>
    </header>
    <div class="tools no-print">
      <label
        ><span class="small quiet">find by name, tag, ingredient</span><input v-model="sought" class="line-input" maxlength="80"
      /></label>
      <label class="link file"
        >Bring one in<input type="file" accept=".json,application/json" class="visually-hidden" @change="readIn"
      /></label>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="book.problem !== ''" class="refusal" role="alert">
      {{ book.problem }} <button type="button" class="link" @click="book.load()">Try again</button>
    </p>
    <p v-else-if="!book.loaded" class="quiet">Opening the book…</p>
    <p v-else-if="book.recipes.length === 0" class="empty">
      Nothing is kept yet. On a shelf of the Cellar, or beside a plan, “Keep as a recipe” puts it here.
    </p>
    <p v-else-if="seen.length === 0" class="quiet">Nothing here is called “{{ sought }}”.</p>
    <ul>
      <li v-for="kept in seen" :key="kept.recipe.id" :data-recipe="kept.recipe.name">
        <button type="button" class="line" :aria-expanded="openId === kept.recipe.id" @click="open(kept)">
          <b>{{ kept.recipe.name }}</b>
          <span class="quiet">{{ told(kept) }}</span>
          <span class="small tags"
            ><i v-for="tag in kept.recipe.tags" :key="tag">{{ tag }}</i></span
          >
        </button>
        <p v-for="each in kept.made" :key="each.id" class="small made">
          <RouterLink :to="{ name: 'batch', params: { id: each.id } }">{{ each.name }}</RouterLink>, {{ each.phase
          }}{{ each.words === undefined ? '' : `: “${each.words}”` }}
        </p>
        <div v-if="openId === kept.recipe.id" class="open">
          <form class="stack" @submit.prevent="save(kept)">
            <label><span class="small quiet">name</span><input v-model="edited.name" class="line-input" maxlength="80" /></label>
            <label
              ><span class="small quiet">tags, with commas between</span><input v-model="edited.tags" class="line-input" maxlength="400"
            /></label>
            <el-input
              v-model="edited.note"
              type="textarea"
              :rows="4"
              maxlength="4000"
              aria-label="Notes to this recipe"
              placeholder="what to mind"
            />
            <div class="deeds">
              <el-button native-type="submit" :loading="busy">Keep it so</el-button>
              <el-button :loading="busy" @click="attempt(() => book.remove(kept.recipe))">Take it out</el-button>
            </div>
            <p class="small">
              <button type="button" class="link" @click="takeOut(kept, 'json')">as JSON</button> ·
              <button type="button" class="link" @click="takeOut(kept, 'md')">as Markdown, for reading</button>
            </p>
          </form>
          <div class="stack">
            <ul class="pours">
              <li v-for="each in kept.recipe.must.ingredients.filter(({ massG }) => massG > 0)" :key="each.id">
                <span>{{ each.name }}</span><b>{{ show('massG', each.massG) }}</b>
              </li>
              <li>
                <span>water</span><b>{{ show('volumeL', kept.recipe.must.waterL) }}</b>
              </li>
            </ul>
            <AgainForm
              :must="kept.recipe.must"
              :from="{ recipeId: kept.recipe.id, ...(kept.recipe.fromBatch === null ? {} : { batchId: kept.recipe.fromBatch }) }"
            />
          </div>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.book {
  display: grid;
  gap: 10px;
}

header,
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 6px 20px;
}

.tools label:first-child {
  width: min(360px, 100%);
}

.file {
  min-height: 44px;
  align-content: center;
}

li {
  border-bottom: 1px solid var(--rule);
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: baseline;
  width: 100%;
  min-height: 46px;
  padding: 8px 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.tags i {
  margin-right: 10px;
  color: var(--bronze);
  font-style: normal;
}

.made {
  padding-bottom: 4px;
}

.open {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px 40px;
  padding: 6px 0 18px;
}

.pours li {
  display: flex;
  justify-content: space-between;
  padding: 4px 0;
}

.empty {
  padding: 24px 0;
}

@media (max-width: 720px) {
  .open {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
