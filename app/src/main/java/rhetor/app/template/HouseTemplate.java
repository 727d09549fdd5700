package rhetor.app.template;

import rhetor.core.style.StyleLayer;
import rhetor.core.template.Template;

/**
 * A template as the house keeps it, in its newest version.
 *
 * @param approved whether it may decide otherwise than the house; false while it allows what the
 *     house doesn't and no editor has said that it may
 */
public record HouseTemplate(
    long id, String name, int version, Template template, boolean approved) {

  /** The template as texts obey it: what nobody has approved is left to the house. */
  public Template obeyed() {
    return approved ? template : template.under(StyleLayer.NOTHING);
  }
}
