# Tufa's server with its application, for a PostgreSQL from outside.
FROM node:20-bookworm-slim AS build
WORKDIR /tufa
COPY . .
RUN npm ci --no-audit --no-fund \
 && node --input-type=module -e "import { ensureWeb, bundle } from './scripts/lib/build.mjs'; await ensureWeb(); await bundle('server'); await bundle('server', 'src/newFirm.ts');" \
 && npm prune --omit=dev --no-audit --no-fund

FROM node:20-bookworm-slim
ENV NODE_ENV=production PORT=8420 TUFA_WEB=/tufa/app/dist TUFA_EMPTY=1 TUFA_LISTEN=0.0.0.0 TUFA_DRAIN_S=5
WORKDIR /tufa
COPY --from=build --chown=node:node /tufa/node_modules node_modules
COPY --from=build --chown=node:node /tufa/server server
COPY --from=build --chown=node:node /tufa/app/dist app/dist
USER node
EXPOSE 8420
HEALTHCHECK --interval=10s CMD ["node", "-e", "fetch('http://127.0.0.1:8420/api/v1/ready').then((r) => process.exit(r.ok ? 0 : 1), () => process.exit(1))"]
CMD ["node", "--enable-source-maps", "server/dist/main.mjs"]
