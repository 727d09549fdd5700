/**
 * The second engine: what a text model is asked, what its answer says, and what is sent back to it.
 * {@link rhetor.core.model.ModelWriter} is the way in; the model itself is handed in.
 */
package rhetor.core.model;
