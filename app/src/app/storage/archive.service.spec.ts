import { ArchiveService } from './archive.service';

describe('a file that is chosen', () => {
  it('is refused by its size, unread', async () => {
    const huge = { size: 257 * 1024 * 1024, text: () => Promise.reject(new Error('was read')) } as unknown as File;
    expect(await new ArchiveService().readFile(huge)).toMatchObject({
      ok: false,
      refusal: 'huge',
      message: 'The file is 257 MB; at most 256 MB are read.',
    });
  });
});
