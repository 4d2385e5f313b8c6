import { benchCore } from './core'
import { benchLarge } from './large'
import { benchList } from './list'
import { benchPage } from './page'
import { benchRecord } from './record'
import { benchRolls } from './rolls'
import { benchSweep } from './sweep'
import { benchTablets } from './tablets'

for (const bench of [benchCore, benchLarge, benchRolls, benchSweep, benchRecord, benchList, benchTablets, benchPage])
  for (const line of await bench()) console.log(line)
