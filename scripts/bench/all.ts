import { benchCore } from './core'
import { benchList } from './list'
import { benchPage } from './page'

for (const bench of [benchCore, benchList, benchPage]) for (const line of await bench()) console.log(line)
