/** A code that a telephone reads, as an SVG drawing; what draws it is loaded when it is wanted. */
export async function codeOf(address: string): Promise<string> {
  const { default: qr } = await import('qrcode');
  return qr.toString(address, { type: 'svg', errorCorrectionLevel: 'M', margin: 0, color: { dark: '#1e2422', light: '#ffffff' } });
}
