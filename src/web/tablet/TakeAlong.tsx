import { useMutation, useQueryClient } from '@tanstack/react-query'
import { TabletSmartphone } from 'lucide-react'
import { tabletWords as words } from '../../words/page/tablet'
import { unsentKeys } from '../notebook/shelves'
import { Button, Fault } from '../parts/controls'
import { leaveBehind, takeAlong } from './take'
import { useTablet } from './useTablet'

/** Puts a line on this tablet, or takes it off. */
export function TakeAlong({ id, name }: { id: string; name: string }) {
  const client = useQueryClient()
  const { here } = useTablet()
  const put = useMutation({
    mutationFn: async (take: boolean) => (take ? takeAlong(id, client) : leaveBehind(id, await unsentKeys())),
    onSettled: () => client.invalidateQueries({ queryKey: ['tablet'] }),
  })
  const taken = here?.taken.includes(id) ?? false
  return (
    <>
      <Button
        aria-pressed={taken}
        aria-label={taken ? words.leaveNamed(name) : words.takeNamed(name)}
        isDisabled={put.isPending || !here}
        onPress={() => put.mutate(!taken)}
      >
        <TabletSmartphone size={18} aria-hidden="true" />
        {put.isPending ? words.taking : taken ? words.leave : words.take}
      </Button>
      {put.error ? <Fault role="alert">{put.error.message}</Fault> : null}
    </>
  )
}
