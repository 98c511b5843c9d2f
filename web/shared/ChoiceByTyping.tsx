import { Select, type SelectProps } from 'antd';
import { useState } from 'react';
import { flushSync } from 'react-dom';

/**
 * A list to choose from by typing. The library marks the first that fits only after the letters have been drawn; an
 * Enter that comes with them (a scanner, a paste, a quick hand on a slow device) would choose nothing and lose what
 * was typed, so what is still to be marked is marked before an Enter is heard.
 */
export function ChoiceByTyping(props: SelectProps<string>) {
  const [, settle] = useState(0);
  return (
    <Select
      showSearch
      optionFilterProp="label"
      {...props}
      onInputKeyDown={(e) => e.key === 'Enter' && flushSync(() => settle((n) => n + 1))}
    />
  );
}
