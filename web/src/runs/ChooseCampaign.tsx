import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useCampaigns } from '../api/hooks';

/** The campaign that a run belongs to. */
export function ChooseCampaign({ value, set }: { value: string; set: (campaign: string) => void }) {
  const campaigns = useCampaigns();
  return (
    <TextField
      select
      required
      label="Campaign"
      value={value}
      onChange={(event) => set(event.target.value)}
      fullWidth
    >
      {(campaigns.data?.campaigns ?? []).map((one) => (
        <MenuItem key={one.id} value={one.id}>
          {one.title}, {one.site}
        </MenuItem>
      ))}
    </TextField>
  );
}
