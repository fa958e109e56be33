/** Browser tests that look at no pixel ask for this, since a software renderer costs most of their time. */
export const isCounting = () => localStorage.getItem('hausbau.draw') === 'count'
