import { Redirect, useLocalSearchParams, type Href } from 'expo-router';

export default function Job() {
  const { job } = useLocalSearchParams<{ job: string }>();
  return <Redirect href={`/jobs/${job}/walk` as Href} />;
}
