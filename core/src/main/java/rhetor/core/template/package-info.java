/**
 * How texts are built: which blocks a description has, which words the house sets itself, what it
 * asks about a product. {@link rhetor.core.template.Template} is the way in.
 */
package rhetor.core.template;
