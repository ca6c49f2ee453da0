#!/usr/bin/env node
import '../dist/orbis.mjs';
