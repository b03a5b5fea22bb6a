/** The parts of video files: what they say of where a video was taken, and whether they are all there. */
import { expect } from 'chai';
import { endsWhole, withoutPlace } from '../../server/media/videoparts.ts';

describe('videos', () => {
  it('whose boxes say where they were taken say it no more', () => {
    // moov with udta with ©xyz, as telephones write it (common practice), and a trak with its own.
    const box = (type: string, ...parts: Buffer[]) => {
      const body = Buffer.concat([Buffer.from(type, 'latin1'), ...parts]);
      const length = Buffer.alloc(4);
      length.writeUInt32BE(body.length + 4);
      return Buffer.concat([length, body]);
    };
    const place = box('\xa9xyz', Buffer.from('+52.5200+013.4050/'));
    const media = box('mdat', Buffer.from('+52.5200 of the image'));
    const whole = Buffer.concat([
      box('ftyp', Buffer.from('isom\0\0\0\0isom', 'latin1')),
      box('moov', box('mvhd', Buffer.alloc(100)), box('trak', box('udta', place)), box('udta', place)),
      media,
      box('uuid', Buffer.from('<x:xmpmeta>+52.5200</x:xmpmeta>')),
    ]);
    const made = withoutPlace('video/mp4', whole);
    expect(made.length).to.equal(whole.length);
    expect(made.toString('latin1').match(/\+52\.5200/g)).to.have.length(1);
    expect(made.indexOf(media)).to.equal(whole.indexOf(media));
    expect(made.toString('latin1').match(/free/g)).to.have.length(3);
    expect(endsWhole('video/mp4', made)).to.equal(true);
  });
});
