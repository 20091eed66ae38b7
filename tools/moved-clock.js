// In a page, before anything else: its clock goes ahead by `clockAhead`, ms. Timers go on as they are: a clock that also holds those
// loses what is pressed in between.
(() => {
  const Plain = Date;
  globalThis.Date = class Date extends Plain {
    constructor(...of) {
      if (of.length === 0) super(Plain.now() + clockAhead);
      else super(...of);
    }

    static now() {
      return Plain.now() + clockAhead;
    }
  };
})();
