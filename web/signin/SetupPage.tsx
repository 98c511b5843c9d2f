import { Button, Form, Input } from 'antd';
import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { useNavigate } from 'react-router';
import { api, useSetUpMutation } from '../api/api.ts';
import { Problem } from '../shared/Problem.tsx';

/** A one-time link brings a new member of staff here to choose a passphrase. The token stays in the fragment. */
export function Component() {
  const [setUp, { error, isLoading }] = useSetUpMutation();
  const navigate = useNavigate();
  const dispatch = useDispatch();
  useEffect(() => {
    document.title = 'Set your passphrase · Rocchetto';
  }, []);
  const enter = async ({ name = '', passphrase }: { name?: string; passphrase: string }) => {
    const done = await setUp({ token: window.location.hash.slice(1), name, passphrase });
    if ('error' in done) return;
    dispatch(api.util.resetApiState());
    navigate('/orders', { replace: true });
  };
  return (
    <main className="door">
      <div>
        <h1>Set your passphrase</h1>
        <p className="soft">
          This link works once. Choose four or five plain words that only you put together.
        </p>
      </div>
      <Form layout="vertical" onFinish={enter} requiredMark={false}>
        <Problem error={error} />
        <Form.Item name="name" label="Your name (leave empty to keep the one you were given)">
          <Input autoComplete="username" maxLength={200} />
        </Form.Item>
        <Form.Item
          name="passphrase"
          label="Passphrase"
          rules={[{ required: true, min: 12, message: '12 characters or more.' }]}
        >
          <Input.Password autoComplete="new-password" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={isLoading} block>
          Keep it and go in
        </Button>
      </Form>
    </main>
  );
}
