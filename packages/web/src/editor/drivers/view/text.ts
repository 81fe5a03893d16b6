/** Words of the driver “view”, by the part that shows them. */

export const insetsText = {
  changeTheInsets: 'change the insets',
  insetsTop: 'Insets: top',
  bottom: 'bottom',
  insetAtTheTop: 'Inset at the top',
  insetAtTheBottom: 'Inset at the bottom',
};
