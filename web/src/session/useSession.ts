import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'

const KEY = ['session']

const sessionNow = () => answer(api.GET('/api/session'))

/** Who is signed in, and what their duties are. */
export function useSession() {
  const client = useQueryClient()
  const query = useQuery({ queryKey: KEY, queryFn: sessionNow, staleTime: 60_000 })
  const account = computed(() => query.data.value?.account)

  async function signIn(login: string, password: string): Promise<Schemas['SignedIn']> {
    // The first answer brings the token that signing in needs; whoever is faster than it waits for it.
    await client.ensureQueryData({ queryKey: KEY, queryFn: sessionNow })
    const signedIn = await answer(api.POST('/api/session', { body: { login, password } }))
    // The token of the signed-out session is gone: asking again brings the new one.
    client.removeQueries({ predicate: (query) => query.queryKey[0] !== KEY[0] })
    await client.refetchQueries({ queryKey: KEY })
    return signedIn
  }

  async function signOut() {
    await answer(api.DELETE('/api/session'))
    client.clear()
    window.location.assign('/sign-in')
  }

  return {
    account,
    demo: computed(() => query.data.value?.demo ?? []),
    settled: computed(() => query.isFetched.value),
    /** Whether there is a draft to put changes into. */
    mayChange: computed(() => account.value?.mayDraft ?? false),
    /** The rooms that one's duties need. */
    rooms: computed(() => account.value?.rooms ?? []),
    /** Whether the account has a duty. */
    may: (duty: 'access' | 'people' | 'types' | 'walls' | 'oversight' | 'rounds' | 'system' | 'audit') => account.value?.duties.includes(duty) ?? false,
    signIn,
    signOut,
  }
}
