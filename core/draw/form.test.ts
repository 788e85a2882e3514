import { expect, test } from '@jest/globals';
import { forms } from '../forms/index.ts';
import { stocks } from '../mod/index.ts';
import { drawForm } from './index.ts';

const drawn = ({ data }: { data: Uint8Array }) =>
  data.filter((_, i) => i % 4 === 3 && data[i]).length;

test('every form is drawn in every material, the same each time, and no two look alike', () => {
  for (const { name: stock } of stocks) {
    const pictures = forms.map((form) => drawForm(form, stock, 16, 40));
    expect(pictures).toEqual(forms.map((form) => drawForm(form, stock, 16, 40)));
    for (const picture of pictures) expect(drawn(picture)).toBeGreaterThan(100);
    expect(new Set(pictures.map(({ data }) => data.join())).size).toBe(forms.length);
  }
});
