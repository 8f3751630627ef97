package levelember.findings.inspection;

import java.util.List;

/** Looks for findings of a kind or two that rest on one measurement. */
@FunctionalInterface
public interface Check {
  void look(Inspection in, List<Finding> to);
}
