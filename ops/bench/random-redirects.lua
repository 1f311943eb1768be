-- Asks for one of the redirects at random, each time; how many there are comes as an argument.
local count = 1
function init(args)
  count = tonumber(args[1])
  math.randomseed(count + os.time())
end
function request()
  return wrk.format("GET", "/bench/" .. math.random(count) .. "-an-old-address-of-this-shop.html")
end
