-- Asks for the addresses of a file, one after the other.
local addresses, at = {}, 0
function init(arguments)
  for line in io.lines(arguments[1]) do addresses[#addresses + 1] = line end
  at = math.random(#addresses)
end
function request()
  at = at % #addresses + 1
  return wrk.format('GET', addresses[at])
end
