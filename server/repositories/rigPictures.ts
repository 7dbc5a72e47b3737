import { RigPictureModel } from '../models';

/** The picture of a rig, as it is sent to a browser. */
export async function pictureOf(rigId: string): Promise<Buffer | undefined> {
  return (await RigPictureModel.findByPk(rigId))?.image;
}

export async function keepPicture(rigId: string, image: Buffer): Promise<void> {
  await RigPictureModel.upsert({ rigId, image, keptAt: new Date() });
}

export async function deletePicture(rigId: string): Promise<void> {
  await RigPictureModel.destroy({ where: { rigId } });
}
