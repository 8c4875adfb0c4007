import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { afterEach } from 'vitest'
// The client takes the fetch that is there when it is first loaded, by whichever file that is: the stand-in has to be there before all of them.
import './testkit'

// What one test leaves on its page asks again by and by, in the middle of others: files share what was loaded.
disableAutoUnmount()
enableAutoUnmount(afterEach)
