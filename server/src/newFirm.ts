import { makeSource } from './data/source';
import { newFirmCode } from './doors/firmCode';

/** A code by which another firm is made on a server that has one. @returns the code, told to nobody else */
export async function newFirm(ownerUrl: string): Promise<string> {
  const owner = await makeSource({ url: ownerUrl, most: 1 }).initialize();
  try {
    return await newFirmCode(owner, new Date());
  } finally {
    await owner.destroy();
  }
}
