import { OrderDetails } from './OrderDetails';
import { JobDetails } from './JobDetails';
import { usePrintChoice, usePrints } from './usePrints';

/** Details of the print room: the chosen job, or else the order of another. */
export function PrintDetails() {
  const chosen = usePrintChoice((c) => c.job);
  const { data } = usePrints();
  const job = data?.find((j) => j.id === chosen);
  return job ? <JobDetails key={job.id} job={job} /> : <OrderDetails />;
}
