import { Trouble } from '@/ui/Trouble';

export default function NotFound() {
  return (
    <Trouble title="Nothing stands here">
      This build has been deleted, or the address is mistyped.
    </Trouble>
  );
}
