/** A mail server that keeps what it is sent, to be read in a browser. */
package rhetor.standins.mail;
