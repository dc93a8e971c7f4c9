import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { Problem } from './api'
import { useRested } from './rested'
import { done, wentWrong } from './undo'

/** Something of the platform that is kept in versions: how it is read, looked at before it holds, and put in force. */
export interface Versioned<Content, Book extends { version: number }, Preview extends { version: number }> {
  name: string
  read: (version?: number) => Promise<Book>
  of: (book: Book) => Content
  look: (content: Content, signal: AbortSignal) => Promise<Preview>
  apply: (content: Content, seen: number) => Promise<Preview>
  afterwards: () => Promise<unknown>
  /** The sentence of what was done. */
  did: (version: number) => string
}

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/**
 * What holds, and a draft of something else: what is wrong with it and what it would do is worked out while it is
 * written. Example: `const { book, content, edit, save } = useDrafted(RULES)`.
 */
export function useDrafted<Content, Book extends { version: number }, Preview extends { version: number }>(
  room: Versioned<Content, Book, Preview>,
) {
  const { data: book, error, refetch } = useQuery({ queryKey: [room.name], queryFn: () => room.read() })
  const draft = ref<Content | null>(null)
  const busy = ref(false)
  const holds = computed(() => (book.value ? room.of(book.value) : undefined))
  const content = computed(() => (draft.value as Content | null) ?? holds.value)
  const changed = computed(() => draft.value !== null && JSON.stringify(draft.value) !== JSON.stringify(holds.value))
  const { key, value, isNow } = useRested(() => (changed.value ? (draft.value as Content) : null), 300)
  const {
    data: preview,
    error: wrong,
    isFetching,
  } = useQuery({
    queryKey: [`${room.name}-preview`, key],
    enabled: computed(() => value.value !== null),
    queryFn: ({ signal }) => room.look(value.value!, signal),
  })
  /** Whether it is still being worked out what the draft, as it is now, would do. */
  const looking = computed(() => changed.value && (!isNow.value || isFetching.value))

  /** Something to write on; what is written is not in force before it is saved. */
  function edit(): Content {
    draft.value ??= copy(holds.value!) as never
    return draft.value as Content
  }

  const drop = () => (draft.value = null)

  /** Puts something in force; taking that back puts in force again what held before. */
  async function putInForce(wanted: Content, seen: number, before: Content) {
    const { version } = await room.apply(wanted, seen)
    await room.afterwards()
    done(room.did(version), {
      back: async () => {
        await room.apply(before, version)
        await room.afterwards()
        return ''
      },
    })
    draft.value = null
  }

  async function attempt(work: () => Promise<void>) {
    busy.value = true
    try {
      await work()
    } catch (thrown) {
      wentWrong(thrown)
      if (thrown instanceof Problem && thrown.kind === 'stale') await refetch()
    } finally {
      busy.value = false
    }
  }

  const save = async () => {
    if (draft.value && book.value) {
      await attempt(() => putInForce(draft.value as Content, book.value!.version, holds.value!))
    }
  }

  const putBack = async (version: number) => {
    if (!book.value || busy.value) return
    await attempt(async () => {
      const old = await room.read(version)
      await putInForce(room.of(old), book.value!.version, holds.value!)
    })
  }

  return { book, error, refetch, content, draft, changed, edit, drop, save, putBack, preview, wrong, looking, busy }
}
