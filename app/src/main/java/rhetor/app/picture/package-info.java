/** Pictures that come in, what they show, and the products they belong to. */
package rhetor.app.picture;
