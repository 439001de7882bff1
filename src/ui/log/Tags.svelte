<script lang="ts">
  import { setTags, type CallRecord } from '$workspace';
  import EditField from '../fields/EditField.svelte';
  import { partedWords } from '../parted';
  import { theBusiness } from '../window/session.svelte';

  /** Words on a call, to find and to count it by; what waits for one is set off by it. */
  let { call }: { call: CallRecord } = $props();
  function keep(text: string): string | undefined {
    const tags = partedWords(text);
    const long = tags.find((t) => t.length > 30);
    if (long) return `“${long}” is longer than 30 letters.`;
    if (tags.length > 30) return 'At most 30 words.';
    const before = call.tags ?? [];
    const { workspace } = theBusiness();
    void setTags(workspace, call.id, tags).then(() =>
      theBusiness().sayDone(
        { kind: 'info', title: tags.length ? `Tagged ${tags.join(', ')}` : 'No tags any more' },
        () => setTags(workspace, call.id, before),
      ),
    );
    return undefined;
  }
</script>

<EditField label="Tags" value={(call.tags ?? []).join(', ')} placeholder="words, parted by commas" {keep} />
