import { DOCUMENT_KINDS, type DocumentKind, type DocumentMade } from '@tufa/contract/documents';
import { CustomerLink } from './CustomerLink';
import { say } from '@tufa/words';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../outbox/api';
import { useMay } from '../parts/phone/rights';
import { whyText } from '../outbox/whyText';
import { useOnline } from '../parts/chrome/SyncLine';
import { spokenOf, useSpeaker } from '../parts/phone/speaker';
import { LanguageChoice } from '../parts/chrome/LanguageChoice';
import { Button, Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { sayDate } from '@tufa/words/dates';

/** While one is being made it is looked how far it is, ms. */
const LOOK_MS = 700;

/** Documents of a job: made at the firm, with how far one is and a way to stop it; each opens as it went out. */
export function DocumentsView({ jobId }: { jobId: string }) {
  const speaker = useSpeaker();
  const online = useOnline();
  const mayMake = useMay('documents');
  // The customer may read another language than whoever makes it.
  const [language, setLanguage] = useState(spokenOf(speaker));
  const [fault, setFault] = useState<string | null>(null);
  const listed = useQuery({
    queryKey: ['documents', jobId],
    queryFn: () => api.documents(jobId),
    enabled: online,
    retry: false,
    refetchInterval: ({ state }) => (state.data?.some((document) => document.state === 'making') ? LOOK_MS : false),
  });
  const asked = async (work: Promise<unknown>): Promise<void> => {
    setFault(null);
    try {
      await work;
    } catch (error) {
      setFault(say(speaker, 'documents.failed', { why: whyText(speaker, error, say(speaker, 'documents.offline')) }));
    }
    await listed.refetch();
  };
  const rows = listed.data ?? [];
  const kindOf = (kind: DocumentKind): string => say(speaker, `documents.kind.${kind}`);
  const told = ({ kind, number, madeAt }: DocumentMade): string =>
    say(speaker, 'documents.open', { kind: kindOf(kind), number, date: sayDate(speaker, madeAt, 'day') });
  return (
    <View className="gap-3" testID="documents">
      <T as="h2">{say(speaker, 'documents.title')}</T>
      {online ? null : <T>{say(speaker, 'documents.offline')}</T>}
      {mayMake ? <LanguageChoice label={say(speaker, 'documents.language')} value={language} onChange={setLanguage} /> : null}
      <View className="flex-row flex-wrap gap-2">
        {DOCUMENT_KINDS.map((kind) => (
          <View key={kind} className="min-w-[150px] flex-1">
            <Button
              writes="documents"
              label={kindOf(kind)}
              disabled={!online}
              hint={`${say(speaker, 'documents.make')}: ${kindOf(kind)}`}
              onPress={() => void asked(api.makeDocument(jobId, { kind, language }))}
            />
          </View>
        ))}
      </View>
      {fault ? (
        <View role="alert">
          <T tone="stop">{fault}</T>
        </View>
      ) : null}
      {rows.length > 0 ? (
        <View role="list" aria-label={say(speaker, 'documents.made')}>
          {rows.map((document) => (
            <View key={document.id} role="listitem" className="flex-row items-center justify-between gap-2 border-b border-line">
              {document.state === 'done' ? (
                <View className="flex-1">
                  <Word label={told(document)} onPress={() => void window.open(`/api/v1/documents/${document.id}/file`, '_blank', 'noopener')} />
                  <CustomerLink documentId={document.id} />
                </View>
              ) : (
                <View role="status" className="flex-1">
                  <T tone="faint">
                    {document.state === 'making' && document.total > 0
                      ? say(speaker, 'documents.making', { kind: kindOf(document.kind), done: String(document.done), total: String(document.total) })
                      : `${told(document)}: ${say(speaker, `documents.state.${document.state}`)}`}
                  </T>
                </View>
              )}
              {document.state === 'making' ? (
                <Word writes="documents" label={say(speaker, 'documents.stop')} onPress={() => void asked(api.stopDocument(document.id))} />
              ) : null}
            </View>
          ))}
        </View>
      ) : null}
    </View>
  );
}
