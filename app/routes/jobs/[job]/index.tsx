import { Redirect, useLocalSearchParams } from 'expo-router';
import { links } from '../../../links';

export default function Job() {
  const { job } = useLocalSearchParams<{ job: string }>();
  return <Redirect href={links.step(job, 'walk')} />;
}
