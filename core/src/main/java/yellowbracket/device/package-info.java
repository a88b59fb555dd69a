/**
 * Outside devices and services as interfaces, with simulated stand-ins that ship with the program. Start at {@link
 * yellowbracket.device.WeatherFeed}.
 */
package yellowbracket.device;
