/** Audio sent to be heard, worked out while it is sent. */
package drevik.server.listen;
