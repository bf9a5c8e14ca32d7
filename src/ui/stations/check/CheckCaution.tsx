import Typography from '@mui/material/Typography';

/** What hurts people here. */
export const CheckCaution = () => (
  <Typography variant="caption" component="p" color="text.secondary" sx={{ m: 0 }}>
    Car on stands on firm ground, never on a jack alone; wheels on the floor chocked. Take springs
    out under control. Fingers clear of arms and joints, nobody underneath. This checks geometry,
    not strength: have steering and suspension inspected as the law where you drive asks.
  </Typography>
);
