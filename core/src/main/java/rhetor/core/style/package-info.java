/** How a house's texts sound. */
package rhetor.core.style;
