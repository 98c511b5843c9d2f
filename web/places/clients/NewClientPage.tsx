import { useNavigate } from 'react-router';
import { useAddClientMutation } from '../../api/clients.ts';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ClientForm } from './ClientForm.tsx';

export function Component() {
  const [add, { error, isLoading }] = useAddClientMutation();
  const navigate = useNavigate();
  return (
    <Place
      title="New client"
      margin={
        <section>
          <h2>Personal data</h2>
          <p className="soft">
            Enter only what the work needs. Phone, e-mail and address are shown to the owner, fitters and
            front desk, not to seamstresses.
          </p>
        </section>
      }
    >
      <h1>New client</h1>
      <Problem error={error} />
      <ClientForm
        start={{ name: '', phone: '', email: '', address: '', note: '', minor: false, guardian: '' }}
        except={0}
        busy={isLoading}
        saveWord="Add client"
        onSave={async (w) => {
          const done = await add(w);
          if ('data' in done && done.data) navigate(`/clients/${done.data.id}`);
        }}
      />
    </Place>
  );
}
