module.exports = { displayName: 'app', testMatch: [] };
