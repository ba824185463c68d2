import { photoBody } from '../../../../../shared/contracts'
import { audit } from '../../../../database/audit'
import { readFitting } from '../../../../database/fittings'
import { addPhoto, MOST_PHOTOS, photosOf } from '../../../../database/photos'
import { transaction } from '../../../../database/pool'
import { reencode } from '../../../../documents/reencode'
import { HttpProblem } from '../../../../http/problem'
import { here, idParam, route } from '../../../../http/route'

/**
 * A photograph of old footwear: decoded, written anew without the file's own data, kept with the
 * fitting.
 */
export default route(
  { permission: 'fittings.change', body: photoBody, mostBytes: 12_000_000 },
  async ({ event, person, body }) => {
    const picture = await reencode(Buffer.from(body.data, 'base64'))
    return transaction(async (db) => {
      const state = here(await readFitting(db, person.shopId, idParam(event)))
      if ((await photosOf(db, person.shopId, state.id)).length >= MOST_PHOTOS)
        throw new HttpProblem(
          409,
          'enough-photos',
          `At most ${MOST_PHOTOS} photographs of one fitting. Take one out first.`,
        )
      const id = await addPhoto(db, person.shopId, state.id, {
        ...picture,
        words: body.words,
        by: person.name,
      })
      await audit(db, {
        shopId: person.shopId,
        person,
        clientId: state.client.id,
        fittingId: state.id,
        action: 'photo.add',
      })
      return { id, width: picture.width, height: picture.height }
    })
  },
)
