import { ImagePlus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { useAddPicture } from './queries';

/** A picture with words for whoever does not see it. */
export function PictureField({
  school,
  picture,
  what,
  small,
  onChange,
}: {
  school: number;
  picture?: number;
  what: string;
  small?: boolean;
  onChange: (picture: number | undefined) => void;
}) {
  const add = useAddPicture();
  const [open, setOpen] = useState(false);
  const [file, setFile] = useState<File>();
  const [words, setWords] = useState('');
  if (picture !== undefined) {
    return (
      <span className="flex gap-2 items-center">
        <img src={`/api/bank/pictures/${picture}`} alt={what} className={small ? 'max-h-[40px]' : 'max-h-[120px]'} />
        <Button aria-label={`Take away: ${what}`} onClick={() => onChange(undefined)}>
          Take away
        </Button>
      </span>
    );
  }
  if (!open) {
    return (
      <Button
        aria-label={what}
        title={what}
        className="self-start inline-flex gap-1 items-center"
        onClick={() => setOpen(true)}
      >
        <ImagePlus size={16} aria-hidden /> {small ? '' : what}
      </Button>
    );
  }
  return (
    <div className="flex flex-wrap gap-2 items-center w-full border-l-2 border-line pl-3">
      <input
        type="file"
        accept="image/png,image/jpeg,image/gif,image/webp"
        aria-label={what}
        onChange={(e) => setFile(e.target.files?.[0])}
      />
      <input
        className="flex-1 min-w-[180px]"
        maxLength={300}
        placeholder="what is on it, in a few words"
        aria-label="What is on the picture"
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      <Button
        look="line"
        disabled={!file || words.trim() === '' || add.isPending}
        onClick={() =>
          file &&
          add.mutate(
            { school, file, words },
            {
              onSuccess: (p) => {
                onChange(p.id);
                setOpen(false);
              },
            },
          )
        }
      >
        {add.isPending ? 'Sending ...' : 'Use it'}
      </Button>
      <Button onClick={() => setOpen(false)}>Cancel</Button>
      <Complaint error={add.error} />
    </div>
  );
}
