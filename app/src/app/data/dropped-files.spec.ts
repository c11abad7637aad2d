import { sorted } from './dropped-files';

const file = (name: string, type = ''): File => ({ name, type }) as File;
const names = (files: readonly File[]): string[] => files.map(({ name }) => name);

describe('files that are dropped', () => {
  it('are photos, maps, or what is said to be not read', () => {
    const found = sorted([
      file('a.JPG', 'image/jpeg'),
      file('b.heic'),
      file('town.geojson', 'application/geo+json'),
      file('map.osm'),
      file('c.raw', 'image/x-raw'),
      file('clip.mp4', 'video/mp4'),
      file('notes.txt', 'text/plain'),
      file('picture', 'image/png'),
      file('.hidden'),
    ]);
    expect(names(found.pictures)).toEqual(['a.JPG', 'b.heic', 'picture']);
    expect(names(found.maps)).toEqual(['town.geojson', 'map.osm']);
    expect(names(found.others)).toEqual(['c.raw', 'clip.mp4', 'notes.txt']);
  });
});
