import { Ruler } from 'lucide-react'
import { useEffect } from 'react'
import styled from 'styled-components'
import { squaredPaper } from '../../../drawing/train/squares'
import { frameWords } from '../../../words/train/page/frame'
import { changeSettings, useSettings } from '../../app/settings'
import { Button } from '../../parts/controls'

const Corner = styled(Button)`position: absolute; right: 2px; bottom: 2px;`

/** Squared paper put under the drawing, or taken away. */
export function Squared({ put }: { put: (under: () => typeof squaredPaper | undefined) => void }) {
  const { squared } = useSettings()
  useEffect(() => put(() => (squared ? squaredPaper : undefined)), [squared, put])
  return (
    <Corner
      look="quiet"
      aria-label={frameWords.squaredPaper}
      aria-pressed={squared}
      onPress={() => changeSettings({ squared: !squared })}
    >
      <Ruler size={18} aria-hidden="true" />
    </Corner>
  )
}
