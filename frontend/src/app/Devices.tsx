/** Other devices: the address at which they find this household, as text and for their camera. */
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { devicesQuery } from "../api/devices";
import { colours } from "./theme";

export function Devices() {
  const { data } = useQuery(devicesQuery);
  if (!data) return null;
  return (
    <Box component="section" aria-label="Other devices" sx={{ gridColumn: "1 / 3", maxWidth: 320 }}>
      <Typography variant="h2">Other devices</Typography>
      {data.says && <Box sx={{ color: colours.soft, fontSize: "0.92rem" }}>{data.says}</Box>}
      {data.addresses.map(({ address, qr }) => (
        <Box key={address} sx={{ pt: 0.5 }}>
          <b>{address}</b>
          <Box
            role="img"
            aria-label={`Code for the camera: ${address}`}
            sx={{ width: 180, "& svg": { width: "100%", height: "auto", display: "block" } }}
            // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by the server from its own address
            dangerouslySetInnerHTML={{ __html: qr }}
          />
        </Box>
      ))}
    </Box>
  );
}
