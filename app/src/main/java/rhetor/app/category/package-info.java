/** Pages of the shop that show several products together. */
package rhetor.app.category;
