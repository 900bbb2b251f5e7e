import { defineNitroPlugin } from 'nitropack/runtime'
import { contentPolicy, inlineScripts } from '../security-headers'

/** The page's own policy names its own scripts; what made it is nobody's business. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response) => {
    if (typeof response.body !== 'string') return
    response.headers = { ...response.headers, 'content-security-policy': contentPolicy(inlineScripts(response.body)) }
    Reflect.deleteProperty(response.headers, 'x-powered-by')
  })
})
