import { benchCore } from './core'
import { benchList } from './list'
import { benchPage } from './page'
import { benchRecord } from './record'
import { benchSweep } from './sweep'

for (const bench of [benchCore, benchSweep, benchRecord, benchList, benchPage])
  for (const line of await bench()) console.log(line)
