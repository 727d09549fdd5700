/** Orders in plain words: what a person wants done with which products, as a plan to look at. */
package rhetor.core.order;
