import { useQuery } from '@tanstack/react-query';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { links } from '../links';
import { codeOf } from '../mix/codeOf';
import { WORKED_OUT } from '../outbox/queryClient';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { sayDate } from '@tufa/words/dates';

/** Quiet modules around a code, without which cameras do not find it. */
const QUIET = 4;

/** An invitation as it is handed over: sent, copied, or read by the other phone's camera. */
export function InvitationView({ name, token, endsAt, onClose }: { name: string; token: string; endsAt: string; onClose: () => void }) {
  const speaker = useSpeaker();
  const [copied, setCopied] = useState(false);
  const link = links.join(token);
  const { data: code } = useQuery({ queryKey: [WORKED_OUT, 'code', link], queryFn: () => codeOf(link), gcTime: 0, networkMode: 'always' });
  const side = (code?.length ?? 0) + 2 * QUIET;
  const path = code?.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x + QUIET} ${y + QUIET}h1v1h-1z`] : []))).join('') ?? '';
  return (
    <View className="gap-3 border-2 border-edge p-3" role="status" testID="invitation">
      <T>{say(speaker, 'doors.inviteFor', { name, date: sayDate(speaker, endsAt, 'moment') })}</T>
      <T as="small" className="break-all select-text">
        {link}
      </T>
      <View className="flex-row flex-wrap gap-3">
        <Button
          label={say(speaker, copied ? 'doors.copied' : 'doors.copy')}
          onPress={() => void navigator.clipboard.writeText(link).then(() => setCopied(true))}
        />
        {'share' in navigator ? <Button label={say(speaker, 'doors.share')} onPress={() => void navigator.share({ url: link }).catch(() => null)} /> : null}
        <Button label={say(speaker, 'sheet.close')} onPress={onClose} />
      </View>
      {code ? (
        <View className="gap-1">
          <T as="small">{say(speaker, 'doors.scan')}</T>
          <View className="h-[220px] w-[220px] bg-[#ffffff]" role="img" aria-label={say(speaker, 'doors.scan')}>
            <Svg width={220} height={220} viewBox={`0 0 ${side} ${side}`}>
              <Path d={path} fill="#000000" />
            </Svg>
          </View>
        </View>
      ) : null}
    </View>
  );
}
