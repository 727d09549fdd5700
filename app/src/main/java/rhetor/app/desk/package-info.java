/** What waits where: the numbers on the line of work. */
package rhetor.app.desk;
