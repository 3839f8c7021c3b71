# Serves New Thumb as a user without rights; nothing is written while it runs:
#   docker build -t new-thumb . && docker run --read-only --tmpfs /tmp -p 3000:3000 new-thumb
FROM node:20-bookworm-slim
WORKDIR /new-thumb
RUN chown node:node .
USER node
COPY --chown=node:node . .
ENV NEXT_TELEMETRY_DISABLED=1 PORT=3000 MALLOC_ARENA_MAX=2
RUN npm install --no-audit --no-fund && npm run build
EXPOSE 3000
CMD ["node", "--max-old-space-size=160", "scripts/start.mjs"]
