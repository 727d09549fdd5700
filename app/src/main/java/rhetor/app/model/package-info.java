/**
 * Text models that the house has connections to: where they are, what they answered, what it cost.
 */
package rhetor.app.model;
