/** The guide that ships with Rhetor, where people read it. */
package rhetor.app.guide;
