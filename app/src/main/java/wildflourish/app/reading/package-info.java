/** The reading screen: how the open tune is made and how to teach it. What is found out about a tune lives in the core. */
package wildflourish.app.reading;
