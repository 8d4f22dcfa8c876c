import { memo, type ReactNode } from 'react';
import { Text, View } from 'react-native';
import { useAnswerFocus } from './focusAnswer';

const STYLE = {
  body: 'font-text text-16 leading-22 text-ink',
  strong: 'font-text text-16 leading-22 text-ink font-bold',
  faint: 'font-text text-16 leading-22 text-faint',
  small: 'font-text text-14 leading-20 text-faint',
  lead: 'font-text text-18 leading-25 text-faint',
  h2: 'font-head text-20 leading-26 text-ink font-bold',
  number: 'font-head text-28 leading-30 text-ink font-bold',
  answer: 'font-head text-44 leading-46 text-ink font-extrabold',
} as const;

/** Text in one of the house's styles; one that says the same is not drawn again. */
export const T = memo(function T({
  as = 'body',
  tone,
  children,
  className = '',
  lines,
  id,
}: {
  as?: keyof typeof STYLE;
  tone?: 'caution' | 'stop' | 'act' | 'ink' | 'faint';
  children: ReactNode;
  className?: string;
  lines?: number;
  id?: string;
}) {
  const heading = as === 'h2' ? { role: 'heading' as const, 'aria-level': 2 } : {};
  const colour = { caution: 'text-caution', stop: 'text-stop', act: 'text-act', ink: 'text-ink', faint: 'text-faint' }[tone ?? 'ink'];
  return (
    <Text
      {...heading}
      {...(id ? { nativeID: id } : {})}
      {...(lines ? { numberOfLines: lines } : {})}
      className={`${STYLE[as]} ${tone ? colour : ''} ${className}`}
    >
      {children}
    </Text>
  );
});

/** The screen's answer: the page's one h1, large, with small words after it. */
export function Answer({
  children,
  after,
  size = 'answer',
  passing = false,
}: {
  children: ReactNode;
  after?: ReactNode;
  size?: 'answer' | 'number';
  /** it stands for another while that is read */
  passing?: boolean;
}) {
  const ref = useAnswerFocus(passing);
  return (
    <View ref={ref} role="heading" aria-level={1} tabIndex={-1} nativeID="answer" className="shrink flex-row flex-wrap items-baseline gap-x-2">
      <Text className={size === 'answer' ? STYLE.answer : `${STYLE.number} leading-34`}>{children}</Text>
      {after ? <Text className="font-text text-18 leading-24 text-faint">{after}</Text> : null}
    </View>
  );
}
