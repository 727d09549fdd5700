package rhetor.app.audit;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.io.Writer;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.core.check.Mark;

/** The audit of all texts over HTTP. */
@RestController
class AuditController {
  private static final int MOST = 50;

  private final AuditService audits;

  AuditController(AuditService audits) {
    this.audits = audits;
  }

  @GetMapping("/api/audit")
  AuditService.AuditView audit() {
    return audits.audit();
  }

  @GetMapping("/api/audit/instances")
  List<AuditService.Instance> instances(
      @RequestParam String cause,
      @RequestParam Mark.Weight weight,
      @RequestParam(defaultValue = "") String field,
      @RequestParam(defaultValue = "0") long after,
      @RequestParam(defaultValue = "20") int limit) {
    return audits.instances(
        new AuditService.CauseOf(cause, weight, field), after, Math.clamp(limit, 1, MOST));
  }

  /**
   * The audit as a CSV sheet: short, a line for each cause and field, or detailed, a line for each
   * thing that was found.
   */
  @GetMapping(path = "/api/audit/export", produces = "text/csv")
  void export(@RequestParam(defaultValue = "false") boolean detailed, HttpServletResponse response)
      throws IOException {
    response.setContentType("text/csv;charset=UTF-8");
    response.setHeader(
        "Content-Disposition",
        "attachment; filename=\"%s\"".formatted(detailed ? "audit-detailed.csv" : "audit.csv"));
    try (Writer out = response.getWriter()) {
      if (detailed) {
        audits.exportDetailed(out);
      } else {
        audits.exportShort(out);
      }
    }
  }

  /**
   * A cause to mend.
   *
   * @param field code of the only field; empty for all
   * @param after product after which to go on, 0 for the first
   */
  record MendOrder(
      @NotNull String cause, @NotNull Mark.Weight weight, @NotNull String field, long after) {}

  @PostMapping("/api/audit/mend")
  AuditService.MendStep mend(@Valid @RequestBody MendOrder order, Principal person) {
    return audits.mend(
        new AuditService.CauseOf(order.cause(), order.weight(), order.field()),
        order.after(),
        person.getName());
  }
}
