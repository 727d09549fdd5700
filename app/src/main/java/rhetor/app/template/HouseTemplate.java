package rhetor.app.template;

import rhetor.core.template.Template;

/** A template as the house keeps it, in its newest version. */
public record HouseTemplate(long id, String name, int version, Template template) {}
