package levelember.findings;

import java.util.List;

/** Looks for findings of a kind or two that rest on one measurement. */
@FunctionalInterface
interface Check {
  void look(Inspection in, List<Finding> to);
}
