import { useSearchParams } from 'react-router';

/** What a screen keeps in its address, such as a filter or what is chosen, and the way to put one of it there. */
export function useInAddress(): [params: URLSearchParams, put: (name: string, value: string) => void] {
  const [params, setParams] = useSearchParams();
  const put = (name: string, value: string) =>
    setParams((was) => new URLSearchParams({ ...Object.fromEntries(was), [name]: value }), { replace: true });
  return [params, put];
}
