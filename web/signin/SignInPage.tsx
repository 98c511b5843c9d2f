import { Button, Form, Input } from 'antd';
import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { useNavigate, useSearchParams } from 'react-router';
import { api, useSignInMutation } from '../api/api.ts';
import { Problem } from '../shared/Problem.tsx';

export function Component() {
  const [signIn, { error, isLoading }] = useSignInMutation();
  const navigate = useNavigate();
  const dispatch = useDispatch();
  const [params] = useSearchParams();
  useEffect(() => {
    document.title = 'Sign in · Rocchetto';
  }, []);
  const enter = async (values: { name: string; passphrase: string }) => {
    const done = await signIn(values);
    if ('error' in done) return;
    dispatch(api.util.resetApiState());
    const to = params.get('to') ?? '/orders';
    navigate(to.startsWith('/') && !to.startsWith('//') ? to : '/orders', { replace: true });
  };
  return (
    <main className="door">
      <div>
        <img src="/favicon.svg" alt="" width="56" height="56" />
        <h1>Rocchetto</h1>
        <p className="soft">The workroom’s book of measures, sheets and fittings.</p>
      </div>
      <Form layout="vertical" onFinish={enter} requiredMark={false}>
        <Problem error={error} />
        <Form.Item name="name" label="Name" rules={[{ required: true, message: 'Who are you?' }]}>
          <Input autoComplete="username" autoFocus />
        </Form.Item>
        <Form.Item
          name="passphrase"
          label="Passphrase"
          rules={[{ required: true, message: 'The passphrase is missing.' }]}
        >
          <Input.Password autoComplete="current-password" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={isLoading} block>
          Sign in
        </Button>
      </Form>
    </main>
  );
}
